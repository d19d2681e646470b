import createClient from 'openapi-fetch';
import { SameAsBefore } from './sameAsBefore';
import type { paths } from './schema';

/** An error as the server tells it (RFC 9457), or that it could not be reached (status 0). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    sentence: string,
    readonly field?: string,
    /** The stable end of the problem's type, e.g. conflict. */
    readonly kind?: string,
    /** What else the server told, by name. */
    readonly details: Record<string, unknown> = {},
  ) {
    super(sentence);
  }
}

/** Why nothing can be asked for any more: the sign-in ran out, or somebody else signed in in this browser. */
export type SignedOut = 'expired' | 'other-person';

const same = new SameAsBefore();
let person: number | undefined;
let whenSignedOut: (why: SignedOut) => void = () => {};

/** Every request says for whom it is meant, so that nothing typed by one person is ever saved as another's. */
export function asksFor(id: number | undefined): void {
  if (id !== person) same.clear();
  person = id;
}

/** Who is told when a request comes back because nobody, or somebody else, is signed in. */
export function onSignedOut(tell: (why: SignedOut) => void): void {
  whenSignedOut = tell;
}

const api = createClient<paths>({ credentials: 'same-origin' });

api.use({
  onRequest({ request }) {
    const token = csrfToken();
    if (token && request.method !== 'GET') {
      request.headers.set('X-XSRF-TOKEN', token);
    }
    if (person !== undefined && !request.url.endsWith('/api/session')) {
      request.headers.set('X-Ladder-Person', String(person));
    }
    same.ask(request);
    return request;
  },
  async onResponse({ request, response }) {
    if (!response.ok && response.status !== 304) {
      const problem = await problemOf(response);
      if (response.status === 401 && !request.url.endsWith('/api/session')) {
        whenSignedOut(problem.kind === 'other-person' ? 'other-person' : 'expired');
      }
      throw problem;
    }
    return same.answer(request, response);
  },
  onError() {
    return new Problem(0, 'The server cannot be reached. Check the connection; what you typed is still here.');
  },
});

export function csrfToken(): string {
  return decodeURIComponent(/(?:^|; )(?:__Host-)?XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '');
}

export async function problemOf(response: Response): Promise<Problem> {
  const body = (await response.json().catch(() => ({}))) as {
    detail?: string;
    field?: string;
    type?: string;
  };
  return new Problem(
    response.status,
    body.detail ?? 'The server could not do this. Try again in a moment.',
    body.field,
    body.type?.split(':').pop(),
    body as Record<string, unknown>,
  );
}

/** The data of an answer; errors have been thrown by then. */
export async function data<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T;
}

export { api };
