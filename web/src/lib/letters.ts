import { useEffect, useRef } from 'react';

const LETTERS = 'ladder-letters';

/** Whether single letters do something; who speaks to the computer, or often hits a key by accident, switches them off. */
export const lettersOn = () => localStorage.getItem(LETTERS) !== 'off';
export const switchLetters = (on: boolean) => localStorage.setItem(LETTERS, on ? 'on' : 'off');

/** Whether a key was hit by itself, and not while something is typed or a dialog is open. */
export function isLetter(e: KeyboardEvent): boolean {
  const target = e.target as HTMLElement;
  return !(
    e.ctrlKey ||
    e.metaKey ||
    e.altKey ||
    (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) && (target as HTMLInputElement).type !== 'checkbox') ||
    target.closest('[role=dialog]')
  );
}

/** Does what belongs to a letter on a page; nothing while {@code actions} is undefined. */
export function useLetters(actions: Record<string, () => void> | undefined) {
  const latest = useRef(actions);
  latest.current = actions;
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const act = latest.current?.[e.key];
      if (act && isLetter(e) && lettersOn() && !e.defaultPrevented) {
        e.preventDefault();
        act();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
