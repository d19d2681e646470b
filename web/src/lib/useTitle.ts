import { useContext, useEffect } from 'react';
import { useLocation } from 'react-router';
import { ScopeContext, whoWords } from './scope';
import { allPages } from './views';

/** Titles name the view and whose students it shows, so that tabs, history and screen readers tell them apart. */
export function useTitle(): void {
  const state = useContext(ScopeContext);
  const { pathname } = useLocation();
  const page = allPages().find((p) => p.path === pathname)?.name;
  const who = state && page ? whoWords(state.scope.who, state.choices) : undefined;
  useEffect(() => {
    // A page that is none of the views names itself.
    if (page) document.title = [page, who, 'Zealous Ladder'].filter(Boolean).join(' · ');
  }, [page, who]);
}

/** For a page about somebody, whom only the page knows. */
export function useOwnTitle(name: string | undefined): void {
  useEffect(() => {
    if (name) document.title = `${name} · Zealous Ladder`;
  }, [name]);
}
