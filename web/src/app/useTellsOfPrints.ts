import { useContext, useEffect } from 'react';
import { useLocation } from 'react-router';
import { api } from '../api/client';
import { ScopeContext } from '../lib/scope';
import { allPages } from '../lib/views';

/** What goes to paper is on record: the browser prints, so the page tells of it. Settings and files show no student. */
export function useTellsOfPrints() {
  const state = useContext(ScopeContext);
  const { pathname } = useLocation();
  const who = state?.scope.who;
  useEffect(() => {
    if (/^\/(setup|records)/.test(pathname)) return;
    const view = allPages().find((p) => p.path === pathname)?.name ?? 'Student page';
    const tell = () => void api.POST('/api/history/prints', { body: { view, who } }).catch(() => {});
    window.addEventListener('beforeprint', tell);
    return () => window.removeEventListener('beforeprint', tell);
  }, [pathname, who]);
}
