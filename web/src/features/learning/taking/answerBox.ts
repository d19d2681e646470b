import { Problem } from '../../../api/client';

/** What a student answered and the server has not said yes to. */
export interface Waiting {
  giving: number;
  item: number;
  /** Undefined: taken back. */
  answer?: string;
  seconds: number;
  /** By the server's clock, in milliseconds since 1970. */
  told: number;
}

export type BoxState = 'saved' | 'saving' | 'offline' | 'signed-out';

const RETRY = 3_000;

/**
 * Keeps answers on this device until the server has them: one for each item, the newest. They are sent one after another, so that none overtakes another; what was
 * refused for good is told and dropped. Whoever signs in next on the same device has a box of their own.
 */
export class AnswerBox {
  state: BoxState = 'saved';
  /** What was refused for good, in words. */
  refused: string | undefined;
  private waiting: Waiting[];
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly name: string,
    private readonly store: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>,
    private readonly send: (answer: Waiting) => Promise<unknown>,
    private readonly changed: () => void,
  ) {
    this.waiting = JSON.parse(store.getItem(name) ?? '[]') as Waiting[];
    if (this.waiting.length > 0) void this.flush();
  }

  get count(): number {
    return this.waiting.length;
  }

  of(giving: number): Waiting[] {
    return this.waiting.filter((w) => w.giving === giving);
  }

  put(answer: Waiting): void {
    this.waiting = [...this.waiting.filter((w) => w.giving !== answer.giving || w.item !== answer.item), answer];
    this.keep();
    void this.flush();
  }

  /** Until nothing waits, or nothing can be sent. */
  async flush(): Promise<void> {
    if (this.sending) return;
    clearTimeout(this.timer);
    this.sending = true;
    while (this.waiting.length > 0) {
      const next = this.waiting[0] as Waiting;
      this.say('saving');
      try {
        await this.send(next);
      } catch (e) {
        const status = e instanceof Problem ? e.status : 0;
        if (status === 401) {
          this.sending = false;
          this.say('signed-out');
          return;
        }
        if (status === 0 || status >= 500 || status === 429 || status === 408) {
          this.sending = false;
          this.say('offline');
          this.timer = setTimeout(() => void this.flush(), RETRY);
          return;
        }
        this.refused = (e as Error).message;
      }
      // Not one that was given meanwhile.
      this.waiting = this.waiting.filter((w) => w !== next);
      this.keep();
    }
    this.sending = false;
    this.say('saved');
  }

  stop(): void {
    clearTimeout(this.timer);
  }

  private keep(): void {
    if (this.waiting.length > 0) this.store.setItem(this.name, JSON.stringify(this.waiting));
    else this.store.removeItem(this.name);
  }

  private say(state: BoxState): void {
    this.state = state;
    this.changed();
  }
}
