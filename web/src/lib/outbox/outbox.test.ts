import { beforeEach, expect, test, vi } from 'vitest';
import { Problem } from '../../api/client';
import { inLocalStorage } from './journal';
import { Outbox } from './outbox';
import { cellOf, type Item, type OnRecord, type Wanted } from './queue';
import { inMemory, type Store } from './store';

const place = { student: { id: 1, name: 'Ada Quill', code: 'S1' }, what: 'Maze', link: '/strip' };
const scored = (value: number): Wanted => ({ status: 'scored', values: [value] });

function typed(student: number, wanted: Wanted) {
  const target = { kind: 'day' as const, studentId: student, measureId: 1, day: '2026-03-13' };
  return { cell: cellOf(target), target, place, text: String(wanted.values[0] ?? ''), wanted, base: {}, sure: false };
}

let store: Store;
let answers: ((item: Item) => OnRecord)[];
const sent: Item[] = [];
const send = async (item: Item): Promise<OnRecord> => {
  sent.push(item);
  const answer = answers.shift();
  return answer ? answer(item) : { scoreId: 100 + sent.length, status: 'scored', value: item.wanted.values[0] };
};
const cutOff = () => {
  throw new Problem(0, 'The server cannot be reached.');
};

beforeEach(() => {
  store = inMemory();
  kept = {};
  answers = [];
  sent.length = 0;
});

let kept: Record<string, string>;
const journal = () =>
  inLocalStorage({
    getItem: (k) => kept[k] ?? null,
    setItem: (k, v) => {
      kept[k] = v;
    },
  });

async function signedIn(person = 7): Promise<Outbox> {
  const box = new Outbox(store, send, journal());
  await box.signedIn(person);
  return box;
}
const settled = (box: Outbox) => vi.waitFor(() => expect(box.now().items.filter((i) => !i.problem)).toEqual([]), 8000);

test('a score is sent, and said to be saved only after the answer', async () => {
  const box = await signedIn();
  let saved = 0;
  box.onSaved = () => saved++;
  const going = box.put(typed(1, scored(70)));
  expect(box.now().items).toHaveLength(1);
  expect(box.now().saved).toBeUndefined();
  await going;
  await settled(box);
  expect(box.now().saved?.wanted).toEqual(scored(70));
  expect(box.now().answers[typed(1, scored(70)).cell]?.record.scoreId).toBe(101);
  expect(saved).toBe(1);
});

test('what could not be sent is there after a reload, and goes under the same key', async () => {
  const box = await signedIn();
  answers = [cutOff];
  await box.put(typed(1, scored(70)));
  await vi.waitFor(() => expect(box.now().cutOff).toBe(true));
  const again = await signedIn();
  expect(again.now().items.length + sent.length).toBeGreaterThan(1);
  await settled(again);
  expect(sent).toHaveLength(2);
  expect(sent[1]?.key).toBe(sent[0]?.key);
});

test("one person's scores are not another's", async () => {
  const box = await signedIn(7);
  answers = [cutOff];
  await box.put(typed(1, scored(70)));
  await vi.waitFor(() => expect(box.now().cutOff).toBe(true));
  await box.signedIn(8);
  expect(box.now().items).toEqual([]);
  box.hurry();
  await new Promise((r) => setTimeout(r, 50));
  expect(sent).toHaveLength(1);
  await box.signedIn(7);
  await settled(box);
  expect(sent).toHaveLength(2);
});

test('what is refused stays until somebody has decided, and does not hold up the others', async () => {
  const box = await signedIn();
  answers = [
    () => {
      throw new Problem(409, 'Somebody else entered 65.', undefined, 'conflict', {
        theirs: { scoreId: 8, status: 'scored', value: 65 },
      });
    },
  ];
  await box.put(typed(1, scored(70)));
  await box.put(typed(2, scored(80)));
  await settled(box);
  const left = box.now().items;
  expect(left).toHaveLength(1);
  expect(left[0]?.problem?.theirs?.value).toBe(65);
  expect(sent.at(-1)?.target.studentId).toBe(2);
  await box.insist(left[0]?.id ?? 0);
  await settled(box);
  expect(box.now().items).toEqual([]);
  expect(sent.at(-1)?.base.scoreId).toBe(8);
});

test('a correction typed while the first is on its way stands on the first', async () => {
  const box = await signedIn();
  let release: () => void = () => {};
  const slow = new Outbox(store, async (item) => {
    if (sent.length === 0) await new Promise<void>((r) => (release = r));
    return send(item);
  });
  await box.signedIn(undefined);
  await slow.signedIn(7);
  const first = slow.put(typed(1, scored(70)));
  await vi.waitFor(() => expect(slow.now().items[0]?.tried).toBe(1));
  await slow.put(typed(1, scored(71)));
  release();
  await first;
  await settled(slow);
  expect(sent.map((i) => [i.wanted.values[0], i.base.scoreId])).toEqual([
    [70, undefined],
    [71, 101],
  ]);
});

test('without a network nothing is tried, so that what is typed over it takes its place', async () => {
  const online = vi.spyOn(navigator, 'onLine', 'get').mockReturnValue(false);
  const box = await signedIn();
  await box.put(typed(1, scored(70)));
  await box.put(typed(1, { status: 'withdrawn', values: [] }));
  expect(box.now().items).toEqual([]);
  await box.put(typed(1, scored(72)));
  expect(sent).toEqual([]);
  online.mockReturnValue(true);
  box.hurry();
  await settled(box);
  expect(sent.map((i) => i.wanted.values[0])).toEqual([72]);
  online.mockRestore();
});

test('what was typed just before the page went is sent by the next one, once', async () => {
  const box = await signedIn();
  // The page goes before the queue has it.
  store.change = () => new Promise(() => {});
  void box.put(typed(1, scored(70)));
  store = inMemory();
  const stranger = await signedIn(8);
  await settled(stranger);
  expect(sent).toEqual([]);
  const again = await signedIn();
  await settled(again);
  expect(sent.map((i) => i.wanted)).toEqual([scored(70)]);
  const third = await signedIn();
  await settled(third);
  expect(sent).toHaveLength(1);
});

test('while somebody signs in again nothing is sent, and then it goes', async () => {
  const box = await signedIn();
  answers = [
    () => {
      throw new Problem(401, 'Your sign-in has run out.');
    },
  ];
  await box.put(typed(1, scored(70)));
  await vi.waitFor(() => expect(sent).toHaveLength(1));
  await box.whileSigningIn(async () => {
    // Whatever would send now: the next try, another score, the window coming back.
    box.hurry();
    await box.put(typed(2, scored(71)));
    await new Promise((done) => setTimeout(done, 30));
    expect(sent).toHaveLength(1);
  });
  box.hurry();
  await settled(box);
  expect(sent.map((item) => item.wanted.values[0])).toEqual([70, 70, 71]);
  expect(box.now().items).toEqual([]);
});

test('a sign-in that fails holds nothing up for ever', async () => {
  const box = await signedIn();
  await expect(
    box.whileSigningIn(async () => {
      await box.put(typed(1, scored(70)));
      throw new Error('wrong password');
    }),
  ).rejects.toThrow('wrong password');
  await settled(box);
  expect(sent).toHaveLength(1);
});
