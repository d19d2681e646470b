import { useContext } from 'react';
import { NavLink } from 'react-router';
import { useSession } from '../api/session';
import { ScopeContext } from '../lib/scope';
import { RECORDS } from '../lib/views';

/** The pages of the Records rung: files for everybody, people and the history for administrators. Also where there is nothing to choose from yet. */
export function RecordsNav() {
  const state = useContext(ScopeContext);
  const session = useSession();
  if (session.data?.person?.role !== 'administrator') return null;
  return (
    <nav aria-label="Records" className="no-print flex flex-wrap gap-x-5 mb-3 -mt-1 text-[14px]">
      {RECORDS.map((p) => (
        <NavLink
          key={p.path}
          end
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
