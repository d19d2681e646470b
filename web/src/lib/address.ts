import { useCallback, useRef } from 'react';
import { type NavigateOptions, useLocation, useSearchParams } from 'react-router';

type Change = URLSearchParams | ((now: URLSearchParams) => URLSearchParams);

/**
 * What a page keeps in its address, and how it changes that. A change starts from the address as it is now, and comes to nothing once somebody has gone to
 * another page: the one before stays on the screen until the other's code is there, and what it does late must not call them back.
 */
export function useAddress(): [URLSearchParams, (change: Change, options?: NavigateOptions) => void] {
  const [params, setParams] = useSearchParams();
  const newest = useRef({ setParams, page: '' });
  newest.current = { setParams, page: useLocation().pathname };
  const change = useCallback((next: Change, options?: NavigateOptions) => {
    if (window.location.pathname !== newest.current.page) return;
    const now = new URLSearchParams(window.location.search);
    newest.current.setParams(typeof next === 'function' ? next(now) : next, options);
  }, []);
  return [params, change];
}
