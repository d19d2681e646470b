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

/** What was written into a cell, as answers are kept: "A C" or "ac" are two letters, "A2 B1" are pairs; words stay as they are. */
export function writtenAnswer(item: Item, text: string): string | undefined {
  const written = text.trim();
  if (written === '') return undefined;
  const letters = () => written.toLowerCase().match(/[a-z]/g)?.join('|');
  switch (item.kind) {
    case 'choice':
      return written.toLowerCase();
    case 'choices':
    case 'order':
      return letters() ?? written;
    case 'match':
      return (
        written
          .toLowerCase()
          .match(/[a-z]\s*\d+/g)
          ?.map((p) => `${p[0]} ${p.slice(1).trim()}`)
          .join('|') ?? written
      );
    default:
      return written;
  }
}
