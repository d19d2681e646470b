import { expect, test } from 'vitest';
import type { Item } from '../../../api/types';
import { draftOf, formOf, type ItemDraft, newDraft } from './itemDraft';

const draft = (part: Partial<ItemDraft>): ItemDraft => ({ ...newDraft(undefined), prompt: 'Which?', ...part });
const option = (text: string, part = {}) => ({ text, right: false, shows: '', target: -1, ...part });
const back = (d: ItemDraft) => {
  const f = formOf(d, 1);
  return formOf(draftOf({ ...f, id: 1, code: 'x' } as unknown as Item), 1);
};

test('a choice: letters for what is filled in, the mistake of a wrong one', () => {
  const d = draft({
    options: [option('12', { shows: 'adds' }), option(''), option('35', { right: true, shows: 'left over' })],
  });
  const f = formOf(d, 1);
  expect(f.body.options.map((o) => `${o.id} ${o.text}`)).toEqual(['A 12', 'B 35']);
  expect(f.keys).toEqual([
    { answer: 'A', share: 0, shows: 'adds' },
    { answer: 'B', share: 1, shows: undefined },
  ]);
  expect(back(d).keys).toEqual(f.keys);
});

test('several, pairs and an order come back as they were', () => {
  const several = draft({
    kind: 'choices',
    options: [option('a', { right: true }), option('b', { shows: 'odd' }), option('c', { right: true })],
  });
  expect(formOf(several, 1).keys).toEqual([
    { answer: 'A|C', share: 1 },
    { answer: 'B', share: 0, shows: 'odd' },
  ]);
  expect(back(several)).toEqual(formOf(several, 1));
  const match = draft({
    kind: 'match',
    options: [option('half', { target: 1 }), option('quarter', { target: 0 })],
    targets: ['0.25', '0.5', ''],
  });
  expect(formOf(match, 1).keys).toEqual([{ answer: 'A 2|B 1', share: 1 }]);
  expect(back(match)).toEqual(formOf(match, 1));
  const order = draft({ kind: 'order', options: [option('first'), option('then'), option('')] });
  expect(formOf(order, 1).keys).toEqual([{ answer: 'A|B', share: 1 }]);
  expect(back(order)).toEqual(formOf(order, 1));
});

test('a number: its answers, how far off is right, commas as points', () => {
  const d = draft({
    kind: 'number',
    possible: '2',
    tolerance: '0,5',
    answers: [
      { answer: ' 12 ', share: 1, shows: '' },
      { answer: '', share: 1, shows: '' },
    ],
  });
  const f = formOf(d, undefined);
  expect([f.keys, f.body.tolerance, f.possible, f.body.options]).toEqual([
    [{ answer: '12', share: 1, shows: undefined }],
    0.5,
    2,
    [],
  ]);
  expect(formOf(draft({ possible: 'many' }), 1).possible).toBe(0);
});
