import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Problem } from '../api/client';

/** A cell that is not simply what the server has; E is what the server has for a cell. */
export interface PendingCell<E> {
  text: string;
  state: 'typing' | 'saving' | 'waiting' | 'asked' | 'wrong' | 'conflict';
  sentence?: string;
  /** What stands there now, when somebody else was first. */
  theirs?: E;
}

const RETRY_MS = 4000;

/**
 * Cells as typed: each saved by itself, kept when the server cannot be reached and sent again until it can.
 *
 * @param send saves one cell and gives what the server has then
 * @param keep where waiting cells are kept in this browser, so that a closed lid loses none; nowhere if undefined
 */
export function useCells<E, C extends { text: string }>(send: (cell: C) => Promise<E>, keep?: string) {
  const queries = useQueryClient();
  const [pending, setPending] = useState<Record<string, PendingCell<E>>>({});
  const [saved, setSaved] = useState<Record<string, E>>({});
  const queue = useRef(new Map<string, C>());

  // Read at once, too: Enter moves on, and leaving the cell must find that it is being saved already.
  const latest = useRef<Record<string, PendingCell<E>>>({});
  const put = useCallback((key: string, cell: PendingCell<E> | undefined) => {
    const next = { ...latest.current };
    if (cell) next[key] = cell;
    else delete next[key];
    latest.current = next;
    setPending(next);
  }, []);
  const pendingOf = useCallback((key: string): PendingCell<E> | undefined => latest.current[key], []);

  const remember = useCallback(() => {
    if (!keep) return;
    if (queue.current.size === 0) localStorage.removeItem(keep);
    else localStorage.setItem(keep, JSON.stringify([...queue.current]));
  }, [keep]);

  const save = useCallback(
    async (key: string, cell: C) => {
      put(key, { text: cell.text, state: 'saving' });
      queue.current.set(key, cell);
      remember();
      try {
        const entry = await send(cell);
        queue.current.delete(key);
        setSaved((all) => ({ ...all, [key]: entry }));
        put(key, undefined);
        queries.invalidateQueries({ queryKey: ['records'], refetchType: 'none' });
      } catch (e) {
        const problem = e instanceof Problem ? e : new Problem(0, String(e));
        const text = cell.text;
        if (problem.status === 0 || problem.status >= 500) {
          put(key, { text, state: 'waiting', sentence: problem.message });
        } else if (problem.details.theirs) {
          queue.current.delete(key);
          put(key, { text, state: 'conflict', sentence: problem.message, theirs: problem.details.theirs as E });
        } else {
          queue.current.delete(key);
          put(key, { text, state: problem.kind === 'unlikely' ? 'asked' : 'wrong', sentence: problem.message });
        }
      }
      remember();
    },
    [send, put, queries, remember],
  );

  useEffect(() => {
    const kept = keep ? localStorage.getItem(keep) : null;
    if (!kept) return;
    for (const [key, cell] of JSON.parse(kept) as [string, C][]) {
      queue.current.set(key, cell);
      put(key, { text: cell.text, state: 'waiting', sentence: 'Typed earlier without a connection.' });
    }
  }, [keep, put]);

  useEffect(() => {
    const again = () => {
      for (const [key, cell] of [...queue.current]) {
        if (latest.current[key]?.state !== 'saving') void save(key, cell);
      }
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
    (key: string, theirs: E) => {
      setSaved((all) => ({ ...all, [key]: theirs }));
      put(key, undefined);
    },
    [put],
  );
  /** New answers from the server replace what this page knew. */
  const forget = useCallback(() => setSaved({}), []);
  return { pending, pendingOf, saved, put, save, keepTheirs, forget };
}
