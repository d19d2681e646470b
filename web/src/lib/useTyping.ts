import { useCallback, useRef, useState } from 'react';
import { useUnsaved } from './unsaved';

/** What stands in a cell while it is typed, and what is wrong with it. */
export interface Typing {
  text: string;
  sentence?: string;
  /** The sentence is a question, which Enter answers with yes. */
  asked?: boolean;
}

/** Cells in the making. Read at once, too: Enter moves on, and leaving the cell must find that it is done already. */
export function useTyping() {
  const [typing, setTyping] = useState<Record<string, Typing>>({});
  const latest = useRef<Record<string, Typing>>({});
  const put = useCallback((cell: string, now: Typing | undefined) => {
    const next = { ...latest.current };
    if (now) next[cell] = now;
    else delete next[cell];
    latest.current = next;
    setTyping(next);
  }, []);
  const of = useCallback((cell: string): Typing | undefined => latest.current[cell], []);
  useUnsaved(() => Object.keys(latest.current).length > 0);
  return { typing, put, of };
}
