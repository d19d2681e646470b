import { type ReactNode, useContext, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { createPath, UNSAFE_NavigationContext as NavigationContext, type To, useLocation } from 'react-router';
import { anythingUnsaved } from '../lib/unsaved';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

// Listened for before there is a router: of the window's own events, who listens first hears first.
let onStep: ((e: PopStateEvent) => void) | undefined;
window.addEventListener('popstate', (e) => onStep?.(e));

/**
 * Asks before another page, the way back or a closed tab takes away what was typed and not saved. The router's own blocker comes only with its
 * data router, which is a tenth more of script at the first visit; so its navigator is held here, and the way back before the router hears of it.
 */
export function StayOrLeave({ children }: { children: ReactNode }) {
  const context = useContext(NavigationContext);
  const { pathname, search, key } = useLocation();
  const [leave, setLeave] = useState<() => void>();
  // Where the page stands, also in the browser's history, as the router counts it.
  const here = useRef({ path: '', index: 0 });
  // biome-ignore lint/correctness/useExhaustiveDependencies: each step has a key of its own
  useLayoutEffect(() => {
    here.current = { path: pathname + search, index: index(window.history.state) };
  }, [pathname, search, key]);

  const held = useMemo(() => {
    const { navigator } = context;
    const through =
      (go: typeof navigator.push): typeof navigator.push =>
      (to, ...rest) => {
        const path = pathOf(to);
        if (path === here.current.path || !anythingUnsaved()) go(to, ...rest);
        else setLeave(() => () => go(to, ...rest));
      };
    return {
      ...context,
      navigator: { ...navigator, push: through(navigator.push), replace: through(navigator.replace) },
    };
  }, [context]);

  useEffect(() => {
    // The step that only puts the address back, and the one that was asked for, go by.
    let passing: 'back' | 'on' | undefined;
    const step = (e: PopStateEvent) => {
      const by = index(e.state) - here.current.index;
      const passed = passing;
      passing = undefined;
      if (passed === 'on' || by === 0 || window.location.pathname + window.location.search === here.current.path) {
        if (passed === 'back') e.stopImmediatePropagation();
        return;
      }
      if (!anythingUnsaved()) return;
      e.stopImmediatePropagation();
      passing = 'back';
      window.history.go(-by);
      setLeave(() => () => {
        passing = 'on';
        window.history.go(by);
      });
    };
    const close = (e: BeforeUnloadEvent) => {
      if (anythingUnsaved()) e.preventDefault();
    };
    onStep = step;
    window.addEventListener('beforeunload', close);
    return () => {
      onStep = undefined;
      window.removeEventListener('beforeunload', close);
    };
  }, []);

  const stay = () => setLeave(undefined);
  return (
    <NavigationContext value={held}>
      {children}
      <Dialog open={leave !== undefined} onClose={stay} title="What you typed here has not been saved">
        <div className="flex gap-4 items-center">
          <Button look="solid" autoFocus onClick={stay}>
            Go on with it
          </Button>
          <Button
            onClick={() => {
              stay();
              leave?.();
            }}
          >
            Leave without saving
          </Button>
        </div>
      </Dialog>
    </NavigationContext>
  );
}

function index(state: unknown): number {
  return (state as { idx?: number } | null)?.idx ?? 0;
}

/** Path and query, without the place within the page. */
function pathOf(to: To): string {
  return typeof to === 'string' ? to.replace(/#.*/, '') : createPath({ ...to, hash: '' });
}
