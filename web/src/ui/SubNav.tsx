import type { ReactNode } from 'react';
import { NavLink, useLocation } from 'react-router';
import { useScope } from '../lib/scope';

/** The pages that one rung of the rail holds, and what belongs to all of them at the right. */
export function SubNav({
  label,
  pages,
  children,
}: {
  label: string;
  /** Those within a page are reached from it, and are a part of it. */
  pages: readonly { path: string; name: string; within?: readonly string[] }[];
  children?: ReactNode;
}) {
  const { link } = useScope();
  const { pathname } = useLocation();
  return (
    <div className="no-print flex flex-wrap items-baseline gap-x-5 gap-y-1 mb-3 -mt-1 text-[14px]">
      <nav aria-label={label} className="flex flex-wrap gap-x-5">
        {pages.map((p) => (
          <NavLink
            key={p.path}
            to={link(p.path)}
            end
            className={({ isActive }) => {
              const here = isActive || p.within?.some((w) => pathname.startsWith(w));
              const look = here ? 'text-ink font-semibold border-ink' : 'text-soft border-transparent hover:text-act';
              return `no-underline py-0.5 border-b-2 ${look}`;
            }}
          >
            {p.name}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex flex-wrap items-baseline gap-x-4">{children}</div>
    </div>
  );
}
