import { useContext } from 'react';
import { NavLink } from 'react-router';
import { useSession } from '../api/session';
import { ScopeContext } from '../lib/scope';
import { SETUP, SETUP_FIRST } from '../lib/views';

/** The pages of the Setup rung; setting up a school and its next year is an administrator's. Also where there is nothing to choose from yet. */
export function SetupNav() {
  const state = useContext(ScopeContext);
  const session = useSession();
  const first = session.data?.person?.role === 'administrator' ? SETUP_FIRST : [];
  return (
    <nav aria-label="Setup" className="no-print flex flex-wrap gap-x-5 mb-3 -mt-1 text-[14px]">
      {[...first, ...(state ? SETUP : [])].map((p) => (
        <NavLink
          key={p.path}
          to={state ? state.link(p.path) : p.path}
          className={({ isActive }) =>
            `no-underline py-0.5 border-b-2 ${isActive ? 'text-ink font-semibold border-ink' : 'text-soft border-transparent hover:text-act'}`
          }
        >
          {p.name}
        </NavLink>
      ))}
    </nav>
  );
}
