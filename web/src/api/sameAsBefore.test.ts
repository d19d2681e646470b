import { expect, test } from 'vitest';
import { SameAsBefore } from './sameAsBefore';

const view = (n: number) => new Request(`http://ladder.test/api/desk?n=${n}`);
const answered = (text: string, etag: string) => new Response(text, { status: 200, headers: { ETag: etag } });
const asked = (same: SameAsBefore, n: number) => {
  const request = view(n);
  same.ask(request);
  return request.headers.get('If-None-Match');
};

test('a view that has not changed is the one from before', async () => {
  const same = new SameAsBefore();
  expect(asked(same, 1)).toBeNull();
  await same.answer(view(1), answered('{"a":1}', 'W/"x"'));
  expect(asked(same, 1)).toBe('W/"x"');
  expect(asked(same, 2)).toBeNull();
  const again = await same.answer(view(1), new Response(null, { status: 304 }));
  expect(again.status).toBe(200);
  expect(await again.json()).toEqual({ a: 1 });
  await same.answer(view(1), answered('{"a":2}', 'W/"y"'));
  expect(asked(same, 1)).toBe('W/"y"');
});

test('nothing is kept of changes and of refusals, nor after somebody signed out', async () => {
  const same = new SameAsBefore();
  await same.answer(view(1), new Response('no', { status: 500, headers: { ETag: 'W/"x"' } }));
  await same.answer(new Request(view(1), { method: 'POST' }), answered('{}', 'W/"x"'));
  expect(asked(same, 1)).toBeNull();
  await same.answer(view(1), answered('{}', 'W/"x"'));
  same.clear();
  expect(asked(same, 1)).toBeNull();
});

test('only so many are kept, the newest', async () => {
  const same = new SameAsBefore();
  for (let n = 0; n < 60; n++) await same.answer(view(n), answered('{}', `W/"${n}"`));
  expect(asked(same, 0)).toBeNull();
  expect(asked(same, 59)).toBe('W/"59"');
});
