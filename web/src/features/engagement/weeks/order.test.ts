import { expect, test } from 'vitest';
import type { WeeksRow } from '../../../api/types';
import { inOrder } from './order';

const row = (name: string, lately: number | undefined, flags: [string, string][]) =>
  ({ student: { name }, lately, flags: flags.map(([rule, since]) => ({ rule, since })) }) as unknown as WeeksRow;
const rows = [
  row('Cy', 0.5, [
    ['quiet', '2026-02-09'],
    ['not-seen', '2026-03-01'],
  ]),
  row('Åse', undefined, []),
  row('Bo', 0.1, [['not-seen', '2026-02-20']]),
];
const names = (order: Parameters<typeof inOrder>[1], only?: Parameters<typeof inOrder>[2]) =>
  inOrder(rows, order, only, (s) => s.name)
    .map((r) => r.student.name)
    .join();

test('the rows come as asked, and as the server had them where nothing is asked', () => {
  expect(names('need')).toBe('Cy,Åse,Bo');
  expect(names('name')).toBe('Åse,Bo,Cy');
  expect(names('lately')).toBe('Bo,Cy,Åse');
  expect(names('since')).toBe('Cy,Bo,Åse');
});

test('longest first goes by the rule that is looked at', () => {
  expect(names('since', 'not-seen')).toBe('Bo,Cy,Åse');
});
