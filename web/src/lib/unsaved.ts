import { useEffect, useRef } from 'react';

const held = new Set<() => boolean>();

/** Whether something is typed anywhere that has not been saved. */
export const anythingUnsaved = () => [...held].some((ask) => ask());

/** Holds the page while {@code ask} says that something typed has not been saved: going elsewhere and closing the page ask first. */
export function useUnsaved(ask: () => boolean) {
  const latest = useRef(ask);
  latest.current = ask;
  useEffect(() => {
    const now = () => latest.current();
    held.add(now);
    return () => {
      held.delete(now);
    };
  }, []);
}
