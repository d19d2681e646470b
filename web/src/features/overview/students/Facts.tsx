import { useState } from 'react';
import { useSession } from '../../../api/session';
import type { AtHome, Grouped, StudentPage } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Fact } from './Fact';
import { AtHomeDialog, CalledDialog, GroupedDialog } from './FactDialogs';

const REACH: Record<NonNullable<AtHome['reachBy']>, string> = {
  phone: 'by phone',
  message: 'by message',
  email: 'by e-mail',
  letter: 'by letter',
  'in-person': 'in person',
};

type Open = 'called' | 'grouped' | 'home' | { grouped: Grouped } | { home: AtHome };

/** What the school keeps of a student: what they are called, birthday, groupings, people at home. Hidden with the names. */
export function Facts({ page }: { page: StudentPage }) {
  const { live } = useScope();
  const { hidden } = useNames();
  const administrator = useSession().data?.person?.role === 'administrator';
  const [open, setOpen] = useState<Open>();
  const facts = page.facts;
  const change = live && facts.mayChange;
  const groupings = [...new Set(facts.grouped.map((g) => g.grouping))];
  const small = 'no-print py-0! min-h-[24px]';
  return (
    <>
      {!hidden && facts.preferredName && (
        <Fact term="On record as">
          {facts.givenName} {facts.familyName}
        </Fact>
      )}
      {facts.birthday && !hidden && (
        <Fact term="Birthday">
          {longDay(facts.birthday)}, {facts.years} years old
        </Fact>
      )}
      {change && administrator && (
        <div className="no-print -mt-1">
          <Button className={small} onClick={() => setOpen('called')}>
            Change name, birthday or grade
          </Button>
        </div>
      )}
      {groupings.map((name) => (
        <Fact key={name} term={name}>
          {facts.grouped
            .filter((g) => g.grouping === name)
            .map((g) => (
              <span key={g.id} className={`block ${g.ends ? 'text-soft' : ''}`}>
                {change ? (
                  <Button
                    className="py-0! min-h-[24px] text-left"
                    aria-label={`Change: ${name}, ${g.value}`}
                    onClick={() => setOpen({ grouped: g })}
                  >
                    {g.value}
                  </Button>
                ) : (
                  g.value
                )}
                {(g.starts || g.ends) && (
                  <span className="block text-soft text-[13px]">
                    {g.starts ? `since ${longDay(g.starts)}` : ''}
                    {g.ends ? `${g.starts ? ', ' : ''}until ${longDay(g.ends)}` : ''}
                  </span>
                )}
                {g.sensitive && <span className="block text-soft text-[13px]">teachers do not see this</span>}
              </span>
            ))}
        </Fact>
      ))}
      {change && !page.unseen.includes('groupings') && (
        <div className="no-print -mt-1">
          <Button className={small} onClick={() => setOpen('grouped')}>
            Add support, language or another
          </Button>
        </div>
      )}
      {!hidden && facts.home.length > 0 && (
        <Fact term="At home">
          {facts.home.map((h) => (
            <span key={h.id} className={`block mb-1 ${h.ends ? 'text-soft' : ''}`}>
              {change ? (
                <Button
                  className="py-0! min-h-[24px] text-left"
                  aria-label={`Change: ${h.name}`}
                  onClick={() => setOpen({ home: h })}
                >
                  {h.name}
                </Button>
              ) : (
                h.name
              )}
              {h.relation && <span className="text-soft">, {h.relation}</span>}
              <Reached of={h} />
            </span>
          ))}
        </Fact>
      )}
      {change && !hidden && !page.unseen.includes('home') && (
        <div className="no-print -mt-1">
          <Button className={small} onClick={() => setOpen('home')}>
            Add somebody at home
          </Button>
        </div>
      )}
      {open === 'called' && <CalledDialog page={page} onClose={() => setOpen(undefined)} />}
      {(open === 'grouped' || (typeof open === 'object' && 'grouped' in open)) && (
        <GroupedDialog
          page={page}
          known={typeof open === 'object' ? open.grouped : undefined}
          onClose={() => setOpen(undefined)}
        />
      )}
      {(open === 'home' || (typeof open === 'object' && 'home' in open)) && (
        <AtHomeDialog
          page={page}
          known={typeof open === 'object' ? open.home : undefined}
          onClose={() => setOpen(undefined)}
        />
      )}
    </>
  );
}

function Reached({ of }: { of: AtHome }) {
  const best = [
    of.own && 'their own',
    of.noWriting && 'must not be written to',
    of.reachBy && `best ${REACH[of.reachBy]}`,
    of.reachWhen,
    of.language && `in ${of.language}`,
  ].filter(Boolean);
  return (
    <span className="block text-[13px]">
      {of.phone && (
        <a
          href={`tel:${of.phone.replaceAll(' ', '')}`}
          className="flex items-center min-h-[24px] text-act no-underline hover:underline"
        >
          {of.phone}
        </a>
      )}
      {of.email && (
        <a
          href={`mailto:${of.email}`}
          className="flex items-center min-h-[24px] text-act no-underline hover:underline break-all"
        >
          {of.email}
        </a>
      )}
      {best.length > 0 && <span className="block text-soft">{best.join(', ')}</span>}
      {of.ends && <span className="block text-soft">until {longDay(of.ends)}</span>}
    </span>
  );
}
