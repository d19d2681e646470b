import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Problem } from '../../../api/client';
import { AnswerBox, type Waiting } from './answerBox';

const given = (item: number, answer: string | undefined, told = 1): Waiting => ({
  giving: 1,
  item,
  answer,
  seconds: 3,
  told,
});

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
});
afterEach(() => vi.useRealTimers());

test('what is put is sent, and saved is said after the answer', async () => {
  let answer: () => void = () => {};
  const said: string[] = [];
  const box = new AnswerBox(
    'b',
    localStorage,
    () => new Promise<void>((r) => (answer = r)),
    () => said.push(box.state),
  );
  box.put(given(1, 'a'));
  expect(box.state).toBe('saving');
  expect(localStorage.getItem('b')).toContain('"a"');
  answer();
  await vi.runAllTimersAsync();
  expect(said).toEqual(['saving', 'saved']);
  expect(localStorage.getItem('b')).toBeNull();
});

test('without a network it waits, the newest answer of an item alone, and goes when it can', async () => {
  let net = false;
  const sent: string[] = [];
  const box = new AnswerBox(
    'b',
    localStorage,
    async (w) => {
      if (!net) throw new Problem(0, 'no network');
      sent.push(`${w.item}${w.answer ?? '-'}`);
    },
    () => {},
  );
  box.put(given(1, 'a'));
  await vi.advanceTimersByTimeAsync(10);
  expect(box.state).toBe('offline');
  box.put(given(2, 'x'));
  box.put(given(1, undefined));
  await vi.advanceTimersByTimeAsync(10);
  expect(box.count).toBe(2);
  net = true;
  await vi.advanceTimersByTimeAsync(3_100);
  expect(sent).toEqual(['2x', '1-']);
  expect(box.state).toBe('saved');
});

test('what a closed page left is sent by the next one, and nobody else sends it', async () => {
  const first = new AnswerBox(
    'card-1',
    localStorage,
    () => Promise.reject(new Problem(0, '')),
    () => {},
  );
  first.put(given(1, 'a'));
  await vi.advanceTimersByTimeAsync(10);
  first.stop();
  const sent: Waiting[] = [];
  const send = async (w: Waiting) => void sent.push(w);
  new AnswerBox('card-2', localStorage, send, () => {});
  await vi.advanceTimersByTimeAsync(10);
  expect(sent).toEqual([]);
  new AnswerBox('card-1', localStorage, send, () => {});
  await vi.advanceTimersByTimeAsync(10);
  expect(sent).toEqual([given(1, 'a')]);
});

test('an answer given while the last one is under way is not lost', async () => {
  const sent: string[] = [];
  const going: (() => void)[] = [];
  const box = new AnswerBox(
    'b',
    localStorage,
    (w) => {
      sent.push(w.answer ?? '-');
      return new Promise<void>((r) => going.push(r));
    },
    () => {},
  );
  box.put(given(1, 'a'));
  box.put(given(1, 'b', 2));
  going.shift()?.();
  await vi.advanceTimersByTimeAsync(10);
  expect(sent).toEqual(['a', 'b']);
  going.shift()?.();
  await vi.advanceTimersByTimeAsync(10);
  expect(box.count).toBe(0);
});

test('signed out, everything stays; refused for good, it is told and the rest goes on', async () => {
  let status = 401;
  const sent: number[] = [];
  const box = new AnswerBox(
    'b',
    localStorage,
    async (w) => {
      if (w.item === 1 && status) throw new Problem(status, 'This check is closed.');
      sent.push(w.item);
    },
    () => {},
  );
  box.put(given(1, 'a'));
  box.put(given(2, 'b'));
  await vi.advanceTimersByTimeAsync(10);
  expect([box.state, box.count]).toEqual(['signed-out', 2]);
  status = 409;
  await box.flush();
  expect(box.refused).toBe('This check is closed.');
  expect([sent, box.state, box.count]).toEqual([[2], 'saved', 0]);
});
