import { type FormEvent, useState } from 'react';
import { isLost } from '../../../api/lost';
import type { SendersView } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { SchoolHeading, useSchool } from '../../../parts/school/SchoolHeading';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { SetupNav } from '../../../ui/SetupNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { useEndSender, useKnowActor, useKnowVerb, useMakeSender, useSenders } from './queries';

const KINDS = {
  reading: 'reading',
  practice: 'practice',
  video: 'video',
  discussion: 'discussion',
  assessment: 'assessment',
  other: 'other',
  '': 'nothing',
};
type Kind = keyof typeof KINDS;

/** Programs that send what students do: their keys, what their verbs are taken for, and what waits. */
export default function SendersPage() {
  const of = useSchool();
  const { school } = of;
  const senders = useSenders(school);
  return (
    <>
      <SetupNav />
      <SchoolHeading title="Programs that send" of={of} />
      <p className="text-soft m-0 mb-3 max-w-[680px]">
        A program that speaks xAPI tells here what students do in it, at{' '}
        <b className="font-semibold">/xapi/statements</b>, with a key of its own. What it tells is kept as it came;
        known verbs become minutes and actions.
      </p>
      {senders.isPending && <Loading label="Opening the programs ..." />}
      {isLost(senders) && <Failed error={senders.error} again={() => senders.refetch()} />}
      {senders.data && school !== undefined && <Whole view={senders.data} school={school} />}
    </>
  );
}

function Whole({ view, school }: { view: SendersView; school: number }) {
  const [making, setMaking] = useState(false);
  const end = useEndSender();
  return (
    <div className="max-w-[860px] grid gap-6 text-[14px]">
      <section aria-labelledby="keys">
        <h2 id="keys" className="text-[14.5px] font-semibold m-0">
          Keys
        </h2>
        {view.senders.length === 0 && (
          <Empty title="No program sends yet">
            An administrator makes a key for it, and gives key and secret to it.
          </Empty>
        )}
        <ul className="m-0 p-0 list-none">
          {view.senders.map((s) => (
            <li key={s.id} className="border-t border-hair py-1.5 flex items-baseline gap-3">
              <span className={`flex-1 min-w-0 ${s.ended ? 'text-soft' : ''}`}>
                <b className="font-semibold">{s.name}</b>, key {s.key}
                <span className="block text-soft text-[13px]">
                  {s.ended ? 'ended; what it sent stays' : ''}
                  {!s.ended &&
                    (s.last
                      ? `last sent on ${longDay(s.last.slice(0, 10))}; ${plural(s.statements, 'statement')} in 30 days`
                      : 'has sent nothing in the last 30 days')}
                </span>
              </span>
              {view.mayMake && !s.ended && (
                <Button
                  disabled={end.isPending}
                  onClick={() => end.mutate(s.id)}
                  aria-label={`End it: the key of ${s.name}`}
                >
                  End it
                </Button>
              )}
            </li>
          ))}
        </ul>
        <Complaint error={end.error} />
        {view.mayMake ? (
          <Button look="line" onClick={() => setMaking(true)}>
            Make a key
          </Button>
        ) : (
          <p className="m-0 text-soft">Administrators make and end them.</p>
        )}
      </section>
      <Waiting view={view} school={school} />
      <Verbs view={view} school={school} />
      {making && <MakeDialog school={school} onClose={() => setMaking(false)} />}
    </div>
  );
}

function MakeDialog({ school, onClose }: { school: number; onClose: () => void }) {
  const make = useMakeSender();
  const [name, setName] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    make.mutate({ school, name });
  };
  if (make.data) {
    return (
      <Dialog open onClose={onClose} title={`The key of ${name}`}>
        <p className="m-0 mb-2">Give both to the program. The secret is shown this once; nobody here keeps it.</p>
        <Field label="Key">
          <input readOnly value={make.data.key} onFocus={(e) => e.currentTarget.select()} />
        </Field>
        <Field label="Secret">
          <input readOnly value={make.data.secret} onFocus={(e) => e.currentTarget.select()} />
        </Field>
        <div className="mt-4">
          <Button look="solid" onClick={onClose}>
            I have them
          </Button>
        </div>
      </Dialog>
    );
  }
  return (
    <Dialog open onClose={onClose} title="A key for a program">
      <form onSubmit={submit} className="grid gap-3">
        <Field label="Which program" error={make.error ? (make.error as Error).message : undefined}>
          <input required autoFocus maxLength={80} value={name} onChange={(e) => setName(e.target.value)} />
        </Field>
        <FormButtons verb="Make the key" disabled={make.isPending} onCancel={onClose} />
      </form>
    </Dialog>
  );
}

/** Statements that count as soon as somebody says what, and of whom. */
function Waiting({ view, school }: { view: SendersView; school: number }) {
  const verb = useKnowVerb();
  const actor = useKnowActor();
  const picks = usePicks();
  const one = picks.all.length === 1 ? picks.all[0] : undefined;
  const done = verb.data ?? actor.data;
  return (
    <section aria-labelledby="waiting">
      <h2 id="waiting" className="text-[14.5px] font-semibold m-0">
        What waits
      </h2>
      <p className="m-0 text-soft" role="status">
        {view.unknownVerbs.length === 0 &&
          view.unknownActors.length === 0 &&
          'Nothing: every verb and every student is known. '}
        {done && `${plural(done.statements, 'statement counts', 'statements count')} now.`}
      </p>
      <ul className="m-0 p-0 list-none">
        {view.unknownVerbs.map((v) => (
          <li key={v.verb} className="border-t border-hair py-1.5 flex flex-wrap items-baseline gap-x-3">
            <span className="flex-1 min-w-0 break-all">
              {v.verb} <span className="text-soft text-[13px]">{plural(v.statements, 'statement')}</span>
            </span>
            {view.mayChange && (
              <label className="flex items-baseline gap-2">
                <span className="text-soft text-[13px]">counts as</span>
                <select
                  value="?"
                  disabled={verb.isPending}
                  onChange={(e) =>
                    verb.mutate({
                      school,
                      verb: v.verb,
                      kind: (e.target.value || undefined) as Exclude<Kind, ''> | undefined,
                    })
                  }
                  className="py-0!"
                >
                  <option value="?" disabled>
                    choose
                  </option>
                  {Object.entries(KINDS).map(([kind, words]) => (
                    <option key={kind} value={kind}>
                      {words}
                    </option>
                  ))}
                </select>
              </label>
            )}
          </li>
        ))}
        {view.unknownActors.map((a) => (
          <li key={a.actor} className="border-t border-hair py-1.5 flex flex-wrap items-baseline gap-x-3">
            <span className="flex-1 min-w-0 break-all">
              {a.actor.split(' ').at(-1)}{' '}
              <span className="text-soft text-[13px]">
                {a.actor.split(' ')[1]}, {plural(a.statements, 'statement')}
              </span>
            </span>
            {view.mayChange &&
              (one ? (
                <Button
                  disabled={actor.isPending}
                  onClick={() => actor.mutate({ school, actor: a.actor, student: one.id })}
                >
                  That is {one.name}
                </Button>
              ) : (
                <span className="text-soft text-[13px]">Pick one student anywhere, and say here that it is them.</span>
              ))}
          </li>
        ))}
      </ul>
      <Complaint error={verb.error ?? actor.error} />
    </section>
  );
}

function Verbs({ view, school }: { view: SendersView; school: number }) {
  const verb = useKnowVerb();
  return (
    <section aria-labelledby="verbs">
      <h2 id="verbs" className="text-[14.5px] font-semibold m-0">
        What verbs count as
      </h2>
      <p className="m-0 text-soft">A change holds from now on; what has been counted stays as it is.</p>
      <table className="border-collapse w-full">
        <tbody>
          {view.verbs.map((v) => (
            <tr key={v.id}>
              <th scope="row" className="text-left font-normal border-b border-hair py-1 pr-3 break-all">
                {v.verb.replace('http://adlnet.gov/expapi/verbs/', '')}
                {v.activityType && (
                  <span className="text-soft text-[13px]">
                    {' '}
                    of {v.activityType.replace('http://adlnet.gov/expapi/activities/', '')}
                  </span>
                )}
              </th>
              <td className="border-b border-hair text-soft text-[13px] pr-3">
                {v.schoolId === undefined ? 'as shipped' : 'set here'}
              </td>
              <td className="border-b border-hair py-0.5">
                {view.mayChange ? (
                  <Choice
                    aria-label={`What ${v.verb} counts as`}
                    value={(v.kind ?? '') as Kind}
                    options={KINDS}
                    disabled={verb.isPending}
                    onChange={(kind) =>
                      verb.mutate({ school, verb: v.verb, activityType: v.activityType, kind: kind || undefined })
                    }
                    className="py-0!"
                  />
                ) : (
                  KINDS[(v.kind ?? '') as Kind]
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Complaint error={verb.error} />
    </section>
  );
}
