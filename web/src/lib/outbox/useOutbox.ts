import { useSyncExternalStore } from 'react';
import { outbox, type Snapshot } from './outbox';
import { asRecord, type Item, latest, type OnRecord } from './queue';

export function useOutbox(): Snapshot {
  return useSyncExternalStore(outbox.subscribe, outbox.now);
}

/**
 * What a cell holds for the person who types: what is on its way, or what the server answered last, or what the page was given.
 *
 * @param readAt when the page's list was read
 */
export function held(
  { items, answers }: Snapshot,
  cell: string,
  given: OnRecord,
  readAt: number,
): { record: OnRecord; item?: Item } {
  const item = latest(items, cell);
  if (item) return { record: asRecord(item), item };
  const answer = answers[cell];
  return { record: answer && answer.at > readAt ? answer.record : given };
}
