import { createContext, type ReactNode, useContext, useState } from 'react';
import type { StudentRef } from '../api/types';

interface Names {
  hidden: boolean;
  toggle: () => void;
  nameOf: (student: StudentRef) => string;
  initialsOf: (student: StudentRef) => string;
}

const NamesContext = createContext<Names | null>(null);
const KEY = 'ladder-hide-names';

/** One switch replaces names by codes, for projecting on a wall. */
export function NamesProvider({ children }: { children: ReactNode }) {
  const [hidden, setHidden] = useState(() => sessionStorage.getItem(KEY) === 'yes');
  const names: Names = {
    hidden,
    toggle: () => {
      sessionStorage.setItem(KEY, hidden ? 'no' : 'yes');
      setHidden(!hidden);
    },
    nameOf: (student) => (hidden ? student.code : student.name),
    initialsOf: (student) => (hidden ? student.code.slice(-2) : student.initials),
  };
  return <NamesContext value={names}>{children}</NamesContext>;
}

export function useNames(): Names {
  const names = useContext(NamesContext);
  if (!names) throw new Error('useNames outside NamesProvider');
  return names;
}
