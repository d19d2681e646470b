import { useQueryClient } from '@tanstack/react-query';
import { Eye, EyeOff, Moon, Sun } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { lazy, type ReactNode, Suspense, useContext, useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { api } from '../api/client';
import { useSession } from '../api/session';
import { plural } from '../lib/format';
import { useNames } from '../lib/names';
import { useOutbox } from '../lib/outbox/useOutbox';
import { ScopeContext } from '../lib/scope';
import { SIGHT } from '../lib/sight';
import { applyTheme, savedTheme, saveTheme } from '../lib/theme';
import { useTitle } from '../lib/useTitle';
import { Account } from './Account';
import { GoTo } from './GoTo';
import { OutboxLine } from './OutboxLine';
import { PickBar } from './PickBar';
import { Rail } from './Rail';
import { ScopeLine } from './ScopeLine';
import { StaleLine } from './StaleLine';
import { useShortcuts } from './useShortcuts';
import { useTellsOfPrints } from './useTellsOfPrints';

const ShortcutsHelp = lazy(() => import('./ShortcutsHelp').then((m) => ({ default: m.ShortcutsHelp })));

/** The frame around every view: rail, scope line, pick bar, and what can be reached from anywhere. */
export function Shell({ children }: { children: ReactNode }) {
  const [goTo, setGoTo] = useState(false);
  const [help, setHelp] = useState(false);
  const [account, setAccount] = useState(false);
  const names = useNames();
  const state = useContext(ScopeContext);
  useTitle();
  useFocusOnTheView();
  useTellsOfPrints();
  useShortcuts({ goTo: () => setGoTo(true), help: () => setHelp(true), hideNames: names.toggle });
  return (
    <div className="md:grid md:grid-cols-[148px_1fr] md:h-screen whole-page">
      <a href="#view" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-2">
        Skip to the view
      </a>
      <Rail />
      <div className="md:grid md:grid-rows-[64px_1fr_auto] md:h-screen min-w-0 whole-page">
        <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-3 md:pr-7 py-2 border-b border-hair min-w-0">
          {state ? <ScopeLine state={state} /> : <span className="text-[19px]">Zealous Ladder</span>}
          <div className="ml-auto flex items-center gap-4 text-[13.5px] text-soft no-print">
            <button type="button" onClick={() => setGoTo(true)} className="hover:text-ink">
              Go to{' '}
              <kbd className="hidden sm:inline font-sans text-[12px] border border-line rounded px-1.5 py-px">
                Ctrl K
              </kbd>
            </button>
            <button
              type="button"
              onClick={names.toggle}
              aria-pressed={names.hidden}
              className="flex items-center gap-1.5 hover:text-ink"
            >
              {names.hidden ? <Eye size={15} aria-hidden /> : <EyeOff size={15} aria-hidden />}
              {names.hidden ? 'Show names' : 'Hide names'}
            </button>
            <PersonMenu help={() => setHelp(true)} account={() => setAccount(true)} />
          </div>
        </header>
        <main
          id="view"
          tabIndex={-1}
          className="px-3 md:pr-7 pt-4 pb-4 md:overflow-y-auto min-h-0 outline-none whole-page"
        >
          {state?.wrong.map((sentence) => (
            <p key={sentence} role="note" className="m-0 mb-3 pl-3 border-l-4 border-ochre text-[14px]">
              {sentence}
            </p>
          ))}
          {state && !state.live && (
            <p role="note" className="m-0 mb-3 pl-3 border-l-4 border-ochre text-[14px]">
              You are looking at the records as they were known on an earlier day. Nothing can be entered here;{' '}
              <button
                type="button"
                className="text-act underline"
                onClick={() => state.change({ asOf: state.choices.today, year: state.choices.years[0]?.id })}
              >
                go back to today
              </button>
              .
            </p>
          )}
          {children}
          {state && state.choices.unseen.length > 0 && (
            <p role="note" className="m-0 mt-6 text-soft text-[13px]">
              Not shown to your role: {state.choices.unseen.map((u) => SIGHT[u].toLowerCase()).join('; ')}. What is
              missing here may be on record; an administrator can change that under Records, People.
            </p>
          )}
        </main>
        <div className="sticky bottom-0 min-w-0">
          <OutboxLine />
          <StaleLine />
          <PickBar />
        </div>
      </div>
      <GoTo open={goTo} onClose={() => setGoTo(false)} />
      <Account open={account} onClose={() => setAccount(false)} />
      {help && (
        <Suspense fallback={null}>
          <ShortcutsHelp open onClose={() => setHelp(false)} />
        </Suspense>
      )}
    </div>
  );
}

/** Another view has come: whoever does not see it is taken there. A cell that the view itself has gone to keeps the focus. */
function useFocusOnTheView() {
  const { pathname } = useLocation();
  const first = useRef(true);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the address is what this waits for
  useEffect(() => {
    if (first.current) {
      first.current = false;
      return;
    }
    const view = document.getElementById('view');
    if (view && !view.contains(document.activeElement) && !document.querySelector('[role=dialog]')) {
      view.focus({ preventScroll: true });
      view.scrollTo(0, 0);
    }
  }, [pathname]);
}

function PersonMenu({ help, account }: { help: () => void; account: () => void }) {
  const session = useSession();
  const queries = useQueryClient();
  const trigger = useRef<HTMLButtonElement>(null);
  // A dialog opens when the menu has gone and the focus is back on its button, so that it goes back there once more.
  const next = useRef<() => void>(undefined);
  const opens = (dialog: () => void) => () => {
    next.current = dialog;
  };
  const [theme, setTheme] = useState(savedTheme());
  const dark = document.documentElement.dataset.theme === 'dark';
  const switchTheme = () => {
    const next = dark ? 'light' : 'dark';
    saveTheme(next);
    applyTheme(next);
    setTheme(next);
  };
  const { items } = useOutbox();
  const signOut = async () => {
    const waiting = items.length;
    if (
      waiting > 0 &&
      !window.confirm(
        `${plural(waiting, 'score')} of yours not saved yet. They stay on this device and are sent when you sign in here again. Sign out?`,
      )
    )
      return;
    await api.DELETE('/api/session');
    queries.clear();
    sessionStorage.removeItem('ladder-picks');
    window.location.assign('/');
  };
  const item =
    'px-3 py-1.5 text-[14px] flex gap-2 items-center outline-none data-[highlighted]:bg-picked cursor-pointer';
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger ref={trigger} className="hover:text-ink">
        {session.data?.person?.name}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-50 bg-paper border border-line shadow-lg py-1 min-w-48"
          onCloseAutoFocus={(e) => {
            const open = next.current;
            if (!open) return;
            next.current = undefined;
            e.preventDefault();
            trigger.current?.focus();
            open();
          }}
        >
          <div className="px-3 py-1 text-[13px] text-soft">Signed in as {session.data?.person?.role}</div>
          <DropdownMenu.Item className={item} onSelect={switchTheme} key={theme}>
            {dark ? <Sun size={15} aria-hidden /> : <Moon size={15} aria-hidden />}{' '}
            {dark ? 'Light colours' : 'Dark colours'}
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={opens(account)}>
            Your account
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={opens(help)}>
            Keyboard shortcuts
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={signOut}>
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
