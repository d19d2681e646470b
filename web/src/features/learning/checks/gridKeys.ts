import type { Item } from '../../../api/types';

/** What a key means in a cell: an answer, points, nothing any more (an empty object), or nothing at all (undefined). */
export function typedAnswer(item: Item, key: string): { answer?: string; points?: number } | undefined {
  if (key === 'Delete' || key === 'Backspace') return {};
  const option = item.body.options.find((o) => o.id.toLowerCase() === key.toLowerCase());
  if (item.kind === 'choice') return option ? { answer: option.id.toLowerCase() } : undefined;
  if (item.kind === 'choices' && option && item.body.options.length > 0) return { answer: option.id.toLowerCase() };
  if (key === '1') return { points: item.possible };
  if (key === '0') return { points: 0 };
  return undefined;
}
