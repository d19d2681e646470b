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

/** For so many milliseconds a letter after g is a view's. */
export const AFTER_G = 1500;

/** Does what belongs to a letter on a page; nothing while {@code actions} is undefined. */
export function useLetters(actions: Record<string, () => void> | undefined) {
  const latest = useRef(actions);
  latest.current = actions;
  useEffect(() => {
    // What follows a g is the view it leads to, and no letter of the page.
    let afterG = -AFTER_G;
    const onKey = (e: KeyboardEvent) => {
      const act = latest.current?.[e.key];
      if (e.key === 'g') afterG = e.timeStamp;
      if (act && e.timeStamp - afterG >= AFTER_G && isLetter(e) && lettersOn() && !e.defaultPrevented) {
        e.preventDefault();
        act();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
