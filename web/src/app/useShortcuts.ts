import { useContext, useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { AFTER_G, isLetter, lettersOn } from '../lib/letters';
import { ScopeContext } from '../lib/scope';
import { VIEWS } from '../lib/views';

interface Actions {
  goTo: () => void;
  help: () => void;
  hideNames: () => void;
}

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
      if (!isLetter(e) || (!lettersOn() && e.key !== '?')) return;
      const view = VIEWS.find((v) => v.key === e.key);
      if (e.key === 'g') {
        afterG.current = e.timeStamp;
      } else if (view && e.timeStamp - afterG.current < AFTER_G) {
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
