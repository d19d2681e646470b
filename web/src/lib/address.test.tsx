import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, useNavigate } from 'react-router';
import { beforeEach, expect, test } from 'vitest';
import { useAddress } from './address';

Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });

type Page = { change: ReturnType<typeof useAddress>[1]; params: URLSearchParams; go: (to: string) => void };
const page = {} as Page;

function Shown() {
  const [params, change] = useAddress();
  Object.assign(page, { change, params, go: useNavigate() });
  return null;
}

beforeEach(async () => {
  window.history.replaceState(null, '', '/find?who=class-1');
  await act(async () =>
    createRoot(document.createElement('div')).render(
      <BrowserRouter>
        <Shown />
      </BrowserRouter>,
    ),
  );
});

const put = (name: string, value: string) => (now: URLSearchParams) => {
  now.set(name, value);
  return now;
};

test('two changes at once both stand', async () => {
  await act(async () => {
    page.change(put('sort', '2'));
    page.change(put('rows', 'all'));
  });
  expect(page.params.toString()).toBe('who=class-1&sort=2&rows=all');
});

test('what a page does after somebody has gone on calls nobody back', async () => {
  const late = page.change;
  await act(async () => {
    page.go('/find/lists');
    late(put('criterion', 'grade is 3'));
  });
  expect(window.location.pathname + window.location.search).toBe('/find/lists');
});

test('a change stays the same function, so that it sets nothing off', async () => {
  const before = page.change;
  await act(async () => page.change(put('sort', '1')));
  expect(page.change).toBe(before);
});
