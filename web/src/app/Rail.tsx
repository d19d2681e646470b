import { useContext } from 'react';
import { Link, useLocation } from 'react-router';
import { ScopeContext } from '../lib/scope';
import { VIEWS } from '../lib/views';

/** Navigation drawn as a slender ladder: two stiles, a rung per view, the current rung lit. */
export function Rail() {
  const state = useContext(ScopeContext);
  const { pathname } = useLocation();
  return (
    <nav
      aria-label="Views"
      className="no-print flex md:block items-end md:pl-[26px] px-3 md:px-0 md:pt-[18px] pt-2 border-b md:border-b-0 border-hair"
    >
      <div className="font-bold leading-[1.1] tracking-tight md:pb-[18px] pb-2 pr-4 hidden sm:block">
        Zealous
        <br />
        Ladder
      </div>
      <ul className="m-0 p-0 list-none flex md:block md:w-[100px] md:border-x-[1.5px] md:border-stile md:pb-10 md:min-h-[300px]">
        {VIEWS.map((view) => (
          <li key={view.path}>
            <Link
              to={state ? state.link(view.path) : view.path}
              aria-current={lit(view, pathname) ? 'page' : undefined}
              className={`flex items-end h-[34px] md:h-[44px] px-2 pb-1.5 text-[14.5px] no-underline ${
                lit(view, pathname)
                  ? 'font-bold text-act border-b-4 border-act'
                  : 'text-ink border-b-[1.5px] md:border-stile border-transparent hover:text-act'
              }`}
            >
              {view.name}
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}

function lit(view: (typeof VIEWS)[number], pathname: string): boolean {
  return 'pages' in view ? (view.pages as readonly string[]).includes(pathname) : pathname === view.path;
}
