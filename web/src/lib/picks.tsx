import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import type { StudentRef } from '../api/types';

interface Picks {
  all: StudentRef[];
  has: (id: number) => boolean;
  /** Replaces the picks. */
  set: (students: StudentRef[]) => void;
  toggle: (student: StudentRef) => void;
  /** Picks these if any of them is not picked yet, else drops them. */
  toggleAll: (students: StudentRef[]) => void;
}

const PicksContext = createContext<Picks | null>(null);

const KEY = 'ladder-picks';

/** What this tab had picked before a reload. */
function kept(): StudentRef[] {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? '[]') as StudentRef[];
  } catch {
    return [];
  }
}

/** The students picked anywhere; they follow the user between views. */
export function PicksProvider({ children }: { children: ReactNode }) {
  const [all, setAll] = useState<StudentRef[]>(kept);
  useEffect(() => sessionStorage.setItem(KEY, JSON.stringify(all)), [all]);
  const picks = useMemo<Picks>(() => {
    const ids = new Set(all.map((s) => s.id));
    return {
      all,
      has: (id) => ids.has(id),
      set: setAll,
      toggle: (s) => setAll(ids.has(s.id) ? all.filter((p) => p.id !== s.id) : [...all, s]),
      toggleAll: (students) => {
        const missing = students.filter((s) => !ids.has(s.id));
        const dropped = new Set(students.map((s) => s.id));
        setAll(missing.length > 0 ? [...all, ...missing] : all.filter((p) => !dropped.has(p.id)));
      },
    };
  }, [all]);
  return <PicksContext value={picks}>{children}</PicksContext>;
}

export function usePicks(): Picks {
  const picks = useContext(PicksContext);
  if (!picks) throw new Error('usePicks outside PicksProvider');
  return picks;
}
