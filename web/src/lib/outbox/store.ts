import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Item } from './queue';

interface Schema extends DBSchema {
  waiting: { key: number; value: Item; indexes: { person: number } };
}

/** Where waiting scores are kept in this browser, for all its tabs: each change is whole, whichever tab makes it. */
export interface Store {
  list: (person: number) => Promise<Item[]>;
  /** Reads a person's items, changes them and keeps the result; {@link change} gets a number above all that were given before. */
  change: (person: number, change: (items: Item[], id: number) => Item[]) => Promise<Item[]>;
}

export function inBrowser(): Store {
  let open: Promise<IDBPDatabase<Schema>> | undefined;
  const database = () => {
    open ??= openDB<Schema>('ladder', 1, {
      upgrade(db) {
        db.createObjectStore('waiting', { keyPath: 'id' }).createIndex('person', 'person');
      },
    });
    return open;
  };
  return {
    list: async (person) => (await database()).getAllFromIndex('waiting', 'person', person),
    change: async (person, change) => {
      const tx = (await database()).transaction('waiting', 'readwrite');
      const last = await tx.store.openKeyCursor(null, 'prev');
      const before = await tx.store.index('person').getAll(person);
      const after = change(before, (last?.key ?? 0) + 1);
      const kept = new Set(after.map((i) => i.id));
      await Promise.all([
        ...before.filter((i) => !kept.has(i.id)).map((i) => tx.store.delete(i.id)),
        ...after.filter((i) => !before.includes(i)).map((i) => tx.store.put(i)),
      ]);
      await tx.done;
      return after;
    },
  };
}

/** For a browser that keeps nothing (a private window, say): as long as the page is open. */
export function inMemory(): Store {
  let all: Item[] = [];
  let next = 1;
  return {
    list: async (person) => all.filter((i) => i.person === person),
    change: async (person, change) => {
      const mine = change(
        all.filter((i) => i.person === person),
        next++,
      );
      all = [...all.filter((i) => i.person !== person), ...mine];
      return mine;
    },
  };
}

/** The browser's store, or the page's where the browser has none. */
export function lasting(): Store {
  const memory = inMemory();
  const browser = inBrowser();
  let broken = typeof indexedDB === 'undefined';
  const either = async <T>(work: (store: Store) => Promise<T>): Promise<T> => {
    if (broken) return work(memory);
    try {
      return await work(browser);
    } catch {
      broken = true;
      return work(memory);
    }
  };
  return {
    list: (person) => either((s) => s.list(person)),
    change: (person, change) => either((s) => s.change(person, change)),
  };
}
