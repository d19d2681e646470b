import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, data, Problem } from '../../api/client';
import type { Entry } from '../../api/types';

/** A cell that is not simply what the server has. */
export interface Pending {
  text: string;
  state: 'typing' | 'saving' | 'waiting' | 'asked' | 'wrong' | 'conflict';
  sentence?: string;
  /** What stands there now, when somebody else was first. */
  theirs?: Entry;
}

export interface ToSave {
  studentId: number;
  measureId: number;
  status: string;
  value?: number;
  seen?: number;
  sure: boolean;
  text: string;
}

const RETRY_MS = 4000;

export const keyOf = (studentId: number, measureId: number) => `${studentId}/${measureId}`;

/** Cells as typed: each saved by itself, kept when the server cannot be reached and sent again until it can. */
export function useCells(windowId: number | undefined, takenOn: string) {
  const queries = useQueryClient();
  const [pending, setPending] = useState<Record<string, Pending>>({});
  const [saved, setSaved] = useState<Record<string, Entry>>({});
  const queue = useRef(new Map<string, ToSave>());

  // Read at once, too: Enter moves on, and leaving the cell must find that it is being saved already.
  const latest = useRef<Record<string, Pending>>({});
  const put = useCallback((key: string, cell: Pending | undefined) => {
    const next = { ...latest.current };
    if (cell) next[key] = cell;
    else delete next[key];
    latest.current = next;
    setPending(next);
  }, []);
  const pendingOf = useCallback((key: string): Pending | undefined => latest.current[key], []);

  const save = useCallback(
    async (cell: ToSave) => {
      if (windowId === undefined) return;
      const key = keyOf(cell.studentId, cell.measureId);
      put(key, { text: cell.text, state: 'saving' });
      const { text, ...body } = cell;
      try {
        const entry = await data(api.POST('/api/entry', { body: { ...body, windowId, takenOn } }));
        queue.current.delete(key);
        setSaved((all) => ({ ...all, [key]: entry }));
        put(key, undefined);
        queries.invalidateQueries({ queryKey: ['records'], refetchType: 'none' });
      } catch (e) {
        const problem = e instanceof Problem ? e : new Problem(0, String(e));
        if (problem.status === 0 || problem.status >= 500) {
          queue.current.set(key, cell);
          put(key, { text, state: 'waiting', sentence: problem.message });
        } else if (problem.details.theirs) {
          queue.current.delete(key);
          put(key, { text, state: 'conflict', sentence: problem.message, theirs: problem.details.theirs as Entry });
        } else {
          queue.current.delete(key);
          put(key, { text, state: problem.kind === 'unlikely' ? 'asked' : 'wrong', sentence: problem.message });
        }
      }
    },
    [windowId, takenOn, put, queries],
  );

  useEffect(() => {
    const again = () => {
      for (const cell of [...queue.current.values()]) void save(cell);
    };
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [save]);

  const unsaved = Object.values(pending).filter((p) => p.text !== '' || p.state === 'waiting').length;
  useEffect(() => {
    if (unsaved === 0) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [unsaved]);

  /** Takes what the other person entered. */
  const keepTheirs = useCallback(
    (key: string, theirs: Entry) => {
      setSaved((all) => ({ ...all, [key]: theirs }));
      put(key, undefined);
    },
    [put],
  );
  /** New answers from the server replace what this page knew. */
  const forget = useCallback(() => setSaved({}), []);
  return { pending, pendingOf, saved, put, save, keepTheirs, forget };
}
