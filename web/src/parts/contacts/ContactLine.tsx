import { type ReactNode, useState } from 'react';
import type { Contact } from '../../api/types';
import { shortDay } from '../../lib/format';
import { useNames } from '../../lib/names';
import { useScope } from '../../lib/scope';
import { Button } from '../../ui/Button';
import { Complaint } from '../../ui/States';
import { WithReason } from '../../ui/WithReason';
import { useStopLetter, useTakeBackNote } from './queries';

const WAYS = { call: 'called', talk: 'talked with', letter: 'wrote on paper to', mail: 'wrote to' };
const WHOM = { home: 'home', student: 'the student', staff: 'a colleague', other: 'somebody' };
const STATES = {
  waiting: 'goes out in a moment',
  sending: 'is being handed over',
  sent: 'sent',
  failed: 'did not go out',
  unsure: 'may have gone out; ask before writing again',
  stopped: 'stopped, not sent',
};

/** What was said or written, by whom, and how a letter fares. @param children what is to be done about it, in place of taking it back; @param quiet nothing is to be done about it here */
export function ContactLine({
  contact: c,
  children,
  quiet = false,
}: {
  contact: Contact;
  children?: ReactNode;
  quiet?: boolean;
}) {
  const { live } = useScope();
  const { hidden } = useNames();
  const [open, setOpen] = useState(false);
  const stop = useStopLetter();
  const back = useTakeBackNote();
  const long = (c.words?.length ?? 0) > 160 || c.way === 'mail';
  return (
    <span className="block min-w-0">
      <span className="flex flex-wrap gap-x-4 items-baseline">
        <span className="min-w-0 flex-1 basis-60">
          {c.by ?? 'Somebody'} {WAYS[c.way]} {hidden ? WHOM[c.whom] : (c.name ?? WHOM[c.whom])}
          {!c.reached && <b className="font-semibold">, nobody answered</b>}
          {c.subject && `: ${c.subject}`}
          {c.letter && (
            <span className={c.letter === 'failed' || c.letter === 'unsure' ? 'text-danger' : 'text-soft'}>
              {' '}
              ({STATES[c.letter]}
              {c.said && c.letter !== 'sent' && `: ${c.said}`})
            </span>
          )}
          {c.lookAgainOn && !c.looked && <span className="text-soft">; look again on {shortDay(c.lookAgainOn)}</span>}
        </span>
        <span className="flex gap-x-3 no-print shrink-0">
          {c.words && long && (
            <Button onClick={() => setOpen(!open)} aria-expanded={open} className="py-0! text-[13.5px]">
              {open ? 'Close' : 'Read it'}
            </Button>
          )}
          {live && c.letter === 'waiting' && c.letterId !== undefined && (
            <Button
              onClick={() => stop.mutate(c.letterId as number)}
              disabled={stop.isPending}
              className="py-0! text-[13.5px]"
            >
              Stop it
            </Button>
          )}
          {children}
          {live && c.mayTakeBack && !children && !quiet && (
            <WithReason
              verb="Take back"
              about={c.student.name}
              effect="It is shown no more from today."
              pending={back.isPending}
              error={back.error}
              onDo={(because) => back.mutate({ id: c.id, because })}
            />
          )}
        </span>
      </span>
      {c.words && !long && <span className="block text-soft">{c.words}</span>}
      {c.words && long && open && <span className="block whitespace-pre-wrap text-soft">{c.words}</span>}
      <Complaint error={stop.error} />
    </span>
  );
}
