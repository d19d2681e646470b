import { Menu } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useContext, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { ScopeContext } from '../lib/scope';
import { VIEWS } from '../lib/views';

/** Navigation drawn as a slender ladder: two stiles, a rung per view, the current rung lit. On a phone it is one button that opens the ladder. */
export function Rail() {
  const { pathname } = useLocation();
  const [open, setOpen] = useState(false);
  const here = VIEWS.find((v) => lit(v, pathname))?.name ?? 'Views';
  return (
    <>
      <div className="no-print md:hidden flex items-center px-3 pt-2 pb-1 border-b border-hair">
        <Popover.Root open={open} onOpenChange={setOpen}>
          <Popover.Trigger
            aria-label={`Views, now ${here}`}
            className="flex items-center gap-2 min-h-[36px] pr-3 text-[15px] font-bold text-act"
          >
            <Menu size={18} aria-hidden /> {here}
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content
              align="start"
              sideOffset={4}
              className="arrives z-50 bg-paper border border-line shadow-lg px-6 pt-2 pb-6"
              aria-label="Views"
            >
              <nav aria-label="Views">
                <Ladder onGo={() => setOpen(false)} />
              </nav>
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
        <span className="ml-auto font-bold tracking-tight">Zealous Ladder</span>
      </div>
      <nav aria-label="Views" className="no-print hidden md:block pl-[26px] pt-[18px]">
        <div className="font-bold leading-[1.1] tracking-tight pb-[18px] pr-4">
          Zealous
          <br />
          Ladder
        </div>
        <Ladder />
      </nav>
    </>
  );
}

function Ladder({ onGo }: { onGo?: () => void }) {
  const state = useContext(ScopeContext);
  const { pathname } = useLocation();
  return (
    <ul className="m-0 p-0 list-none w-[110px] md:w-[100px] border-x-[1.5px] border-stile pb-10 min-h-[300px]">
      {VIEWS.map((view) => (
        <li key={view.path}>
          <Link
            to={state ? state.link(view.path) : view.path}
            onClick={onGo}
            aria-current={lit(view, pathname) ? 'page' : undefined}
            className={`flex items-end h-[44px] px-2 pb-1.5 text-[14.5px] no-underline ${
              lit(view, pathname)
                ? 'font-bold text-act border-b-4 border-act'
                : 'text-ink border-b-[1.5px] border-stile hover:text-act'
            }`}
          >
            {view.name}
          </Link>
        </li>
      ))}
    </ul>
  );
}

function lit(view: (typeof VIEWS)[number], pathname: string): boolean {
  return 'pages' in view ? (view.pages as readonly string[]).includes(pathname) : pathname === view.path;
}
