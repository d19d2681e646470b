import { type FormEvent, useId, useState } from 'react';
import { isLost } from '../../../api/lost';
import type { ClosingPart, ClosingView, TiersView } from '../../../api/types';
import { plural } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { Button } from '../../../ui/Button';
import { Complaint, Failed, Loading } from '../../../ui/States';
import { useClosing, useUndecided } from './queries';

/** Class by class and area by area: what is undecided, and for which of them the window is closed or opened again. */
export function ClosingForm({ view, onDone }: { view: TiersView; onDone: () => void }) {
  const undecided = useUndecided(view.school, view.window.id);
  if (undecided.isPending) return <Loading label="Counting what is undecided ..." height={200} />;
  if (isLost(undecided)) return <Failed error={undecided.error} again={() => undecided.refetch()} />;
  return <Choose view={undecided.data} name={view.window.name.toLowerCase()} onDone={onDone} />;
}

const key = (p: { classId: number; area: string }) => `${p.classId}/${p.area}`;
const owes = (p: ClosingPart) => p.undecided.length + p.untested.length + p.retests.length;

function Choose({ view, name, onDone }: { view: ClosingView; name: string; onDone: () => void }) {
  const closing = useClosing();
  const [chosen, setChosen] = useState(() => new Set(view.parts.filter((p) => owes(p) === 0 && !p.closed).map(key)));
  const [reason, setReason] = useState('');
  const id = useId();
  const parts = view.parts.filter((p) => chosen.has(key(p)));
  const classes = [...new Map(view.parts.map((p) => [p.classId, p.className])).entries()];
  const open = parts.filter((p) => !p.closed);
  const left = open.reduce((n, p) => n + owes(p), 0);
  const send = (close: boolean) => (e?: FormEvent) => {
    e?.preventDefault();
    const all = parts.length === view.parts.length;
    closing.mutate(
      {
        window: view.window.id,
        school: view.school,
        close,
        parts: all ? [] : parts.map((p) => ({ classId: p.classId, area: p.area })),
        reason: reason.trim(),
      },
      { onSuccess: onDone },
    );
  };
  const toggle = (keys: string[]) => {
    const next = new Set(chosen);
    const on = keys.some((k) => !next.has(k));
    for (const k of keys) {
      if (on) next.add(k);
      else next.delete(k);
    }
    setChosen(next);
  };
  return (
    <form onSubmit={send(true)} className="flex flex-col gap-3 text-[14px]">
      <p className="m-0 text-soft">
        Choose for whom. The numbers are students whose tier nobody has decided; those without a score count, too.
      </p>
      <div className="relative overflow-x-auto">
        <table className="border-collapse">
          <thead>
            <tr>
              <th scope="col" className="text-left font-medium text-soft pr-4">
                <Button className="py-0!" onClick={() => toggle(view.parts.map(key))}>
                  All
                </Button>
              </th>
              {view.areas.map((a) => (
                <th key={a} scope="col" className="text-left font-medium pr-4">
                  <Button
                    className="py-0!"
                    aria-label={`All classes in ${a}`}
                    onClick={() => toggle(view.parts.filter((p) => p.area === a).map(key))}
                  >
                    {a}
                  </Button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {classes.map(([classId, className]) => (
              <tr key={classId}>
                <th scope="row" className="text-left font-normal border-b border-hair pr-4">
                  <Button
                    className="py-0!"
                    aria-label={`${className}, all areas`}
                    onClick={() => toggle(view.parts.filter((p) => p.classId === classId).map(key))}
                  >
                    {className}
                  </Button>
                </th>
                {view.areas.map((a) => {
                  const part = view.parts.find((p) => p.classId === classId && p.area === a);
                  return (
                    <td key={a} className="border-b border-hair pr-4 py-0.5">
                      {part && <PartCell part={part} on={chosen.has(key(part))} onToggle={() => toggle([key(part)])} />}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="m-0" aria-live="polite">
        {parts.length === 0
          ? 'Nothing is chosen.'
          : left === 0
            ? 'Everything in what is chosen is decided.'
            : `${plural(left, 'decision')} still ${left === 1 ? 'is' : 'are'} open in what is chosen, and cannot be made once it is closed.`}
      </p>
      <div className="flex flex-col gap-1">
        <label htmlFor={id} className="text-[13px] text-soft">
          Why (stays on record)
        </label>
        <input id={id} required maxLength={500} value={reason} onChange={(e) => setReason(e.target.value)} />
      </div>
      <Complaint error={closing.error} />
      <div className="flex flex-wrap gap-4 items-center">
        <Button look="solid" type="submit" disabled={closing.isPending || open.length === 0}>
          Close the {name} window for {parts.length === view.parts.length ? 'all' : 'these'}
        </Button>
        {parts.some((p) => p.closed) && (
          <Button look="line" disabled={closing.isPending || reason.trim() === ''} onClick={() => send(false)()}>
            Open it again for these
          </Button>
        )}
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}

function PartCell({ part, on, onToggle }: { part: ClosingPart; on: boolean; onToggle: () => void }) {
  const picks = usePicks();
  const id = useId();
  const n = owes(part);
  const words = [
    part.undecided.length > 0 && `${part.undecided.length} undecided`,
    part.untested.length > 0 && `${part.untested.length} without a score`,
    part.retests.length > 0 && `${part.retests.length} to retest`,
  ].filter(Boolean);
  return (
    <span className="inline-flex items-baseline gap-1.5">
      <input id={id} type="checkbox" checked={on} onChange={onToggle} aria-label={`${part.className}, ${part.area}`} />
      {n === 0 ? (
        <label htmlFor={id} className="text-soft">
          {part.closed ? 'closed' : 'all decided'}
        </label>
      ) : (
        <button
          type="button"
          className="text-left hover:underline"
          aria-label={`Pick ${words.join(', ')} in ${part.className}, ${part.area}`}
          onClick={() => picks.toggleAll([...part.undecided, ...part.untested, ...part.retests])}
        >
          {part.closed && 'closed, '}
          {words.join(', ')}
        </button>
      )}
    </span>
  );
}
