import { api, data, Problem } from '../../api/client';
import type { Mark, ScoreStatus } from '../../api/types';
import { newKey } from '../newKey';
import { inLocalStorage, type Journal } from './journal';
import {
  type Draft,
  dropped,
  enqueued,
  type Item,
  insisted,
  nextToSend,
  type OnRecord,
  refused,
  succeeded,
  tried,
} from './queue';
import { lasting, type Store } from './store';

const FIRST_PAUSE = 2000;
const LONGEST_PAUSE = 60_000;

export interface Snapshot {
  items: Item[];
  /** What the server answered for a cell, and when: newer than any list read before. */
  answers: Record<string, { record: OnRecord; at: number }>;
  /** The last that was saved by this page. */
  saved?: Item;
  /** Whether the server could not be reached at the last try. */
  cutOff: boolean;
}

type Send = (item: Item) => Promise<OnRecord>;

/** Sends by the address that fits the target; the key lets the server do it once, however often it is sent. */
const post: Send = async (item) => {
  const headers = { 'Idempotency-Key': item.key };
  const { wanted, target, base, sure } = item;
  if (target.kind === 'work') {
    const body = {
      piece: target.pieceId,
      student: target.studentId,
      value: wanted.values[0],
      status: wanted.status as Mark,
      seen: base.scoreId,
      sure,
    };
    return data(api.POST('/api/work/marks', { body, headers }));
  }
  const status = wanted.status as ScoreStatus;
  if (target.kind === 'day') {
    const { kind: _kind, ...day } = target;
    const body = { ...day, values: wanted.values, status, seen: base.scoreId, sure };
    return data(api.POST('/api/strip', { body, headers }));
  }
  const { kind: _kind, ...window } = target;
  const body = { ...window, value: wanted.values[0], status, seen: base.scoreId, sure };
  return data(api.POST('/api/entry', { body, headers }));
};

/**
 * Scores as typed, on any page: kept in this browser until the server has taken them, sent one after another in the order they were typed, by
 * whichever tab has the turn. What is refused stays, too, until somebody has decided on it.
 */
export class Outbox {
  private person: number | undefined;
  private snapshot: Snapshot = { items: [], answers: {}, cutOff: false };
  private readonly listeners = new Set<() => void>();
  private readonly tabs = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('ladder-outbox');
  private timer: ReturnType<typeof setTimeout> | undefined;
  private pause = FIRST_PAUSE;
  private busy = false;
  private signingIn = false;
  /** Called after each score that was saved, here or in another tab. */
  onSaved: () => void = () => {};

  constructor(
    private readonly store: Store = lasting(),
    private readonly send: Send = post,
    private readonly journal: Journal = inLocalStorage(typeof localStorage === 'undefined' ? undefined : localStorage),
  ) {
    this.tabs?.addEventListener('message', ({ data: what }) => {
      void this.refresh();
      if (what === 'saved') this.onSaved();
    });
    if (typeof window !== 'undefined') {
      window.addEventListener('online', () => this.hurry());
      document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && this.hurry());
    }
  }

  /** Only the signed-in person's scores are shown and sent. */
  async signedIn(person: number | undefined): Promise<void> {
    this.person = person;
    this.pause = FIRST_PAUSE;
    this.set({ items: [], answers: {}, saved: undefined, cutOff: false });
    await this.refresh();
    if (person !== undefined) await this.catchUp(person);
    this.hurry();
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  now = (): Snapshot => this.snapshot;

  async put(draft: Omit<Draft, 'key' | 'person'>): Promise<void> {
    const person = this.person;
    if (person === undefined) throw new Error('nobody is signed in');
    const item = { ...draft, person, key: newKey() };
    // Shown at once, under a number of its own until the browser has kept it.
    this.set({ items: enqueued(this.snapshot.items, item, Number.MAX_SAFE_INTEGER) });
    this.journal.add(item);
    await this.change((items, id) => enqueued(items, item, id));
    this.journal.remove(item.key);
    this.hurry();
  }

  /** What was typed just before the page went, and did not get into the queue. */
  private async catchUp(person: number): Promise<void> {
    for (const item of this.journal.of(person)) {
      await this.change((items, id) => (items.some((i) => i.key === item.key) ? items : enqueued(items, item, id)));
      this.journal.remove(item.key);
    }
  }

  /** Lets what is there stand. */
  async drop(id: number): Promise<void> {
    const theirs = this.snapshot.items.find((i) => i.id === id);
    await this.change((items) => dropped(items, id));
    if (theirs?.problem?.theirs) this.answer(theirs.cell, theirs.problem.theirs);
    this.onSaved();
  }

  /** Sends it all the same. */
  async insist(id: number): Promise<void> {
    await this.change((items) => insisted(items, id, newKey()));
    this.hurry();
  }

  /** New lists from the server are newer than these answers. */
  forgetAnswers(before: number): void {
    const kept = Object.entries(this.snapshot.answers).filter(([, a]) => a.at > before);
    if (kept.length < Object.keys(this.snapshot.answers).length) this.set({ answers: Object.fromEntries(kept) });
  }

  /**
   * Nothing is sent while somebody signs in again: a score that went between the old session's token and the new one's would be refused, and stay so.
   */
  async whileSigningIn<T>(signIn: () => Promise<T>): Promise<T> {
    this.signingIn = true;
    try {
      return await signIn();
    } finally {
      this.signingIn = false;
      this.later();
    }
  }

  hurry(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.pause = FIRST_PAUSE;
    void this.pump();
  }

  private async pump(): Promise<void> {
    if (this.busy || this.signingIn || this.person === undefined) return;
    this.busy = true;
    try {
      const more = navigator.locks
        ? await navigator.locks.request('ladder-outbox', { ifAvailable: true }, (lock) =>
            lock ? this.sendAll() : true,
          )
        : await this.sendAll();
      if (more) this.later();
    } finally {
      this.busy = false;
    }
    if (!this.timer && this.snapshot.items.some((i) => !i.problem)) this.later();
  }

  /** @returns whether something is left for later */
  private async sendAll(): Promise<boolean> {
    const person = this.person;
    for (;;) {
      const item = nextToSend(await this.refresh());
      if (!item || this.person !== person) return false;
      if (this.signingIn) return true;
      // Not tried at all, so that what is typed over it takes its place.
      if (navigator.onLine === false) {
        this.set({ cutOff: true });
        return true;
      }
      await this.change((items) => tried(items, item.id));
      try {
        const now = await this.send(item);
        await this.change((items) => succeeded(items, item.id, now));
        this.set({ saved: item, cutOff: false });
        this.answer(item.cell, now);
        this.tabs?.postMessage('saved');
        this.onSaved();
      } catch (e) {
        const problem = e instanceof Problem ? e : new Problem(0, String(e));
        if (problem.status === 0 || problem.status === 401 || problem.status === 429 || problem.status >= 500) {
          this.set({ cutOff: problem.status !== 401 });
          return true;
        }
        const theirs = problem.details.theirs as OnRecord | undefined;
        await this.change((items) =>
          refused(items, item.id, { sentence: problem.message, kind: problem.kind, theirs }),
        );
      }
    }
  }

  private later(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.timer = undefined;
      void this.pump();
    }, this.pause);
    this.pause = Math.min(2 * this.pause, LONGEST_PAUSE);
  }

  private answer(cell: string, record: OnRecord): void {
    this.set({ answers: { ...this.snapshot.answers, [cell]: { record, at: Date.now() } } });
  }

  private async refresh(): Promise<Item[]> {
    const items = this.person === undefined ? [] : await this.store.list(this.person);
    this.set({ items });
    return items;
  }

  private async change(change: (items: Item[], id: number) => Item[]): Promise<void> {
    if (this.person === undefined) return;
    this.set({ items: await this.store.change(this.person, change) });
    this.tabs?.postMessage('changed');
  }

  private set(part: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot, ...part };
    for (const listener of this.listeners) listener();
  }
}

export const outbox = new Outbox();
