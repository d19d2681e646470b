import { outbox } from '../lib/outbox/outbox';
import type { Item } from '../lib/outbox/queue';
import { shown } from '../lib/typedScore';
import { Button } from './Button';

/** A score that was refused: what can be done about it. Somebody else's entry stays, or one's own goes in its place. */
export function Overtaken({ item }: { item: Item }) {
  const problem = item.problem;
  if (!problem) return null;
  const mine = item.text.trim() || 'empty';
  return (
    <span className="whitespace-nowrap">
      {problem.theirs && (
        <>
          <Button onClick={() => outbox.drop(item.id)}>Keep theirs ({shown(problem.theirs) || 'empty'})</Button>{' '}
          <Button onClick={() => outbox.insist(item.id)}>Use mine ({mine})</Button>
        </>
      )}
      {!problem.theirs && (
        <>
          <Button onClick={() => outbox.insist(item.id)}>
            {problem.kind === 'unlikely' ? `Keep ${mine}` : 'Try again'}
          </Button>{' '}
          <Button onClick={() => outbox.drop(item.id)}>Drop {mine}</Button>
        </>
      )}
    </span>
  );
}
