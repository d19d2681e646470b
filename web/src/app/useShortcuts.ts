import { useContext, useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { ScopeContext } from '../lib/scope';
import { VIEWS } from '../lib/views';

interface Actions {
  goTo: () => void;
  help: () => void;
  hideNames: () => void;
}

const LETTERS = 'ladder-letters';

/** Whether single letters do something; who speaks to the computer, or often hits a key by accident, switches them off. */
export const lettersOn = () => localStorage.getItem(LETTERS) !== 'off';
export const switchLetters = (on: boolean) => localStorage.setItem(LETTERS, on ? 'on' : 'off');

/** Keys that work anywhere outside a text field. */
export function useShortcuts({ goTo, help, hideNames }: Actions) {
  const navigate = useNavigate();
  const state = useContext(ScopeContext);
  const afterG = useRef(0);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
        e.preventDefault();
        goTo();
        return;
      }
      const target = e.target as HTMLElement;
      if (
        e.ctrlKey ||
        e.metaKey ||
        e.altKey ||
        /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
        target.closest('[role=dialog]')
      )
        return;
      if (!lettersOn() && e.key !== '?') return;
      const view = VIEWS.find((v) => v.key === e.key);
      if (e.key === 'g') {
        afterG.current = e.timeStamp;
      } else if (view && e.timeStamp - afterG.current < 1500) {
        afterG.current = 0;
        navigate(state ? state.link(view.path) : view.path);
      } else if (e.key === '?') {
        help();
      } else if (e.key === 'h') {
        hideNames();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [goTo, help, hideNames, navigate, state]);
}
