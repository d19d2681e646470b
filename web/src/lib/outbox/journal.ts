import type { Draft } from './queue';

/** An item before it has a place in the queue. */
export type Typed = Draft;

const KEY = 'ladder-typed';

/**
 * What was typed a moment ago and is not yet in the queue: written at once, since the queue's own store takes a moment, in which a page may be
 * reloaded or closed.
 */
export interface Journal {
  add: (typed: Typed) => void;
  remove: (key: string) => void;
  of: (person: number) => Typed[];
}

export function inLocalStorage(storage: Pick<Storage, 'getItem' | 'setItem'> | undefined): Journal {
  const read = (): Typed[] => {
    try {
      return JSON.parse(storage?.getItem(KEY) ?? '[]') as Typed[];
    } catch {
      return [];
    }
  };
  const write = (all: Typed[]) => {
    try {
      storage?.setItem(KEY, JSON.stringify(all));
    } catch {
      // A browser that keeps nothing: the queue will do what it can.
    }
  };
  return {
    add: (typed) => write([...read(), typed]),
    remove: (key) => write(read().filter((t) => t.key !== key)),
    of: (person) => read().filter((t) => t.person === person),
  };
}
