import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  asRecord,
  asWanted,
  cellOf,
  type Draft,
  enqueued,
  type Item,
  insisted,
  latest,
  nextToSend,
  nothing,
  type OnRecord,
  refused,
  same,
  succeeded,
  tried,
  type Wanted,
} from './queue';

const scored = (...values: number[]): Wanted => ({ status: 'scored', values });
const TAKEN_BACK: Wanted = { status: 'withdrawn', values: [] };

function draft(student: number, wanted: Wanted, base: OnRecord = {}): Draft {
  const target = { kind: 'day' as const, studentId: student, measureId: 1, day: '2026-03-13' };
  return {
    key: `k${Math.random()}`,
    person: 1,
    cell: cellOf(target),
    target,
    place: { student: { id: student, name: 'Ada Quill', code: 'S1' }, what: 'Maze', link: '/strip' },
    text: wanted.values.join(' '),
    wanted,
    base,
    sure: false,
  };
}

const one = (items: Item[]): Item => {
  expect(items).toHaveLength(1);
  return items[0] as Item;
};

test('a score keeps the form on record unless another is said, and an absence has none', () => {
  const item = (wanted: Wanted, form?: string): Item => {
    const base = { scoreId: 9, status: 'scored' as const, value: 60, form: 'The gull' };
    const made = draft(1, wanted, base);
    return { ...made, target: { ...made.target, form } as Item['target'], id: 1, tried: 0 };
  };
  expect(asRecord(item(scored(61))).form).toBe('The gull');
  expect(asRecord(item(scored(61), 'The ferry')).form).toBe('The ferry');
  expect(asRecord(item({ status: 'absent', values: [] }, 'The ferry')).form).toBeUndefined();
  expect(asRecord(item(TAKEN_BACK))).toEqual({});
});

describe('what is typed over something that waits', () => {
  test('takes its place while it was never sent', () => {
    const items = enqueued(enqueued([], draft(1, scored(70)), 1), draft(1, scored(71)), 2);
    expect(one(items).wanted).toEqual(scored(71));
    expect(one(items).base).toEqual({});
  });

  test('taken back before it was sent leaves nothing to send', () => {
    expect(enqueued(enqueued([], draft(1, scored(70)), 1), draft(1, TAKEN_BACK), 2)).toEqual([]);
  });

  test('typed back to what is on record leaves nothing to send', () => {
    const there = { scoreId: 9, status: 'scored' as const, value: 60 };
    expect(enqueued(enqueued([], draft(1, scored(70), there), 1), draft(1, scored(60), there), 2)).toEqual([]);
  });

  test('waits behind one that is on its way, and stands on what that one leaves', () => {
    const sent = tried(enqueued([], draft(1, scored(70)), 1), 1);
    const both = enqueued(sent, draft(1, TAKEN_BACK), 2);
    expect(both).toHaveLength(2);
    expect(nextToSend(both)?.id).toBe(1);
    const after = succeeded(both, 1, { scoreId: 5, status: 'scored', value: 70 });
    expect(one(after).base.scoreId).toBe(5);
    expect(nextToSend(after)?.wanted).toEqual(TAKEN_BACK);
  });

  test('after a refusal somebody decides on the last that was typed, not on each', () => {
    const sent = tried(enqueued([], draft(1, scored(70)), 1), 1);
    const both = enqueued(sent, draft(1, scored(72)), 2);
    const after = refused(both, 1, { sentence: 'no', theirs: { scoreId: 8, status: 'scored', value: 65 } });
    expect(one(after).wanted).toEqual(scored(72));
    expect(one(after).problem?.theirs?.value).toBe(65);
    expect(nextToSend(after)).toBeUndefined();
    expect(one(insisted(after, 2, 'new')).base.scoreId).toBe(8);
  });
});

test('insisting on what is there already sends nothing', () => {
  const first = enqueued([], draft(1, scored(70)), 1);
  const after = refused(first, 1, { sentence: 'no', theirs: { scoreId: 8, status: 'scored', value: 70 } });
  expect(insisted(after, 1, 'new')).toEqual([]);
});

test('a jump that was asked about is sent as sure, and only then', () => {
  const first = enqueued([], draft(1, scored(190)), 1);
  expect(one(first).sure).toBe(false);
  expect(one(insisted(refused(first, 1, { sentence: 'Sure?', kind: 'unlikely' }), 1, 'new')).sure).toBe(true);
  expect(one(insisted(refused(first, 1, { sentence: 'closed', kind: 'invalid' }), 1, 'new')).sure).toBe(false);
});

test('forms are what was typed; their median is what a cell holds', () => {
  const items = enqueued([], draft(1, scored(58, 71, 64)), 1);
  expect(asRecord(one(items))).toMatchObject({ value: 64, forms: [58, 71, 64] });
  expect(same(asWanted(asRecord(one(items))), { status: 'scored', value: 64, forms: [58, 71, 64] })).toBe(true);
});

/** A server that takes everything, and what people do to it: type, send, lose the answer, refuse. */
type Step =
  | { what: 'type'; student: number; value: number | undefined }
  | { what: 'send'; answer: 'yes' | 'lost' | 'no' };

const step: fc.Arbitrary<Step> = fc.oneof(
  fc.record({
    what: fc.constant('type' as const),
    student: fc.integer({ min: 1, max: 3 }),
    value: fc.option(fc.integer({ min: 0, max: 9 }), { nil: undefined }),
  }),
  fc.record({ what: fc.constant('send' as const), answer: fc.constantFrom('yes', 'lost', 'no') }),
);

test('whatever happens, the server ends with what was typed last, or it is still there to be decided on', () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
      const server: Record<number, OnRecord> = {};
      const done = new Map<string, OnRecord>();
      const typed: Record<number, Wanted> = {};
      let items: Item[] = [];
      let id = 1;
      let scoreId = 1;
      const sendOne = (answer: 'yes' | 'lost' | 'no') => {
        const item = nextToSend(items);
        if (!item) return false;
        items = tried(items, item.id);
        const student = item.target.studentId;
        const now = server[student] ?? {};
        if (!done.has(item.key)) {
          // Nobody else types: what the page saw is what is there, or the page has lost its way.
          if (answer === 'no') {
            items = refused(items, item.id, { sentence: 'no', theirs: now });
            return true;
          }
          expect(nothing(now) ? undefined : now.scoreId).toBe(nothing(item.base) ? undefined : item.base.scoreId);
          server[student] = item.wanted.status === 'withdrawn' ? {} : { ...asRecord(item), scoreId: scoreId++ };
          done.set(item.key, server[student] as OnRecord);
        }
        if (answer !== 'lost') items = succeeded(items, item.id, done.get(item.key) as OnRecord);
        return true;
      };
      for (const s of steps) {
        if (s.what === 'send') {
          sendOne(s.answer);
          continue;
        }
        const cell = cellOf({ kind: 'day', studentId: s.student, measureId: 1, day: '2026-03-13' });
        const before = latest(items, cell);
        const record = before ? asRecord(before) : (server[s.student] ?? {});
        const wanted = s.value === undefined ? TAKEN_BACK : scored(s.value);
        typed[s.student] = wanted;
        // What is refused stays when the same is typed again: it is still to be decided on.
        if (!same(wanted, record)) items = enqueued(items, draft(s.student, wanted, record), id++);
      }
      const undecided = new Set(items.filter((i) => i.problem).map((i) => i.target.studentId));
      for (let n = 0; n < 100 && sendOne('yes'); n++);
      for (const [student, wanted] of Object.entries(typed)) {
        if (!undecided.has(Number(student))) expect(same(wanted, server[Number(student)] ?? {}), student).toBe(true);
      }
    }),
    { numRuns: 400 },
  );
});
