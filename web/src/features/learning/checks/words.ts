import type { GivenLine, Item } from '../../../api/types';
import { longDay, plural, shortDay } from '../../../lib/format';

export const KINDS: Record<string, string> = {
  choice: 'one answer of several',
  choices: 'several answers',
  text: 'a short text',
  number: 'a number',
  match: 'pairs to match',
  order: 'an order',
  written: 'written freely',
};

/** The letters and figures by which what can be chosen is known. */
export const LETTERS = 'ABCDEFGHIJKL'.split('');

/** When a check that was given is open, in words. */
export function whenWords(g: GivenLine): string {
  if (g.state === 'ended') return 'ended by hand';
  if (g.state === 'coming') return `opens ${longDay(g.starts)}`;
  if (g.state === 'over')
    return g.starts === g.ends ? longDay(g.starts) : `${shortDay(g.starts)} to ${longDay(g.ends)}`;
  return `open until ${longDay(g.ends)}`;
}

/** How far it has come. */
export function farWords(g: GivenLine): string {
  const parts = [`${g.done} of ${plural(g.students, 'student')} done`];
  if (g.begun > g.done) parts.push(`${g.begun - g.done} at it`);
  if (g.waiting > 0) parts.push(`${plural(g.waiting, 'answer')} to decide`);
  return parts.join(', ');
}

/** The right answer as it stands in a table. */
export function rightOf(item: Item): string {
  const key = item.keys.find((k) => k.share >= 1);
  return key ? answerIn(item, key.answer) : '';
}

/** An answer as it is read: letters of choices large, pairs with a line, words as they are. */
export function answerIn(item: Item, answer: string): string {
  if (item.kind === 'choice') return answer.toUpperCase();
  if (item.kind === 'choices') return answer.toUpperCase().split('|').join(' ');
  if (item.kind === 'match') return answer.toUpperCase().split('|').join(', ');
  if (item.kind === 'order') return answer.toUpperCase().split('|').join(' ');
  return answer;
}
