import { type FormEvent, useState } from 'react';
import type { ProfilesView } from '../../../api/types';
import { shortDay } from '../../../lib/format';
import { newKey } from '../../../lib/newKey';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { FormButtons } from '../../../ui/FormButtons';
import { InnerForm } from '../../../ui/InnerForm';
import { Complaint } from '../../../ui/States';
import { useAddAdvice, useChangeAdvice, useFollow } from './queries';

interface Props {
  pattern: ProfilesView['patterns'][number];
  view: ProfilesView;
}

/** What is advised for a pattern, ticked when it was followed; the library is written here, too. */
export function Advice({ pattern, view }: Props) {
  const { live } = useScope();
  const follow = useFollow();
  const [adding, setAdding] = useState(false);
  const [changing, setChanging] = useState<number>();
  // What was ticked, until the answer is there.
  const [ticked, setTicked] = useState<{ advice: number; followed: boolean }>();
  const advice = view.advice.filter((a) => pattern.marks.some((m) => m.domain === a.domain && m.own === a.own));
  const students = pattern.students.map((s) => s.student.id);
  const tick = (id: number, followed: boolean) => {
    setTicked({ advice: id, followed });
    follow.mutate({ advice: id, students, followed }, { onSettled: () => setTicked(undefined) });
  };
  return (
    <div className="text-[14px] min-w-0">
      <h3 className="text-[12.5px] text-soft font-normal m-0">
        Advice, ticked when followed with {students.length === 1 ? 'this student' : 'all of them'}
      </h3>
      <ul className="list-none m-0 p-0">
        {advice.map((a) => {
          const done = pattern.students.flatMap((s) => s.followed.filter((f) => f.advice === a.id));
          const all = done.length === students.length;
          if (changing === a.id) {
            return <ChangeAdvice key={a.id} advice={a} onDone={() => setChanging(undefined)} />;
          }
          return (
            <li key={a.id} className="border-t border-hair py-1 flex items-baseline gap-x-2">
              <label className="flex items-baseline gap-x-2 min-w-0">
                <input
                  type="checkbox"
                  className="self-start mt-1 shrink-0"
                  checked={ticked?.advice === a.id ? ticked.followed : all}
                  disabled={!live || follow.isPending}
                  onChange={(e) => tick(a.id, e.target.checked)}
                />
                <span>
                  {a.advice}
                  {done.length > 0 && (
                    <span className="text-soft">
                      {' '}
                      {all ? 'followed' : `followed with ${done.length} of ${students.length}`},{' '}
                      {shortDay(
                        done
                          .map((d) => d.on)
                          .sort()
                          .at(-1) ?? '',
                      )}
                    </span>
                  )}
                </span>
              </label>
              {a.mayChange && live && (
                <Button
                  className="py-0! ml-auto no-print"
                  aria-label={`Change: ${a.advice}`}
                  onClick={() => setChanging(a.id)}
                >
                  Change
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      {advice.length === 0 && <p className="m-0 text-soft">None is in the library yet.</p>}
      <Complaint error={follow.error} />
      {live &&
        (adding ? (
          <AddAdvice pattern={pattern} framework={view.framework as number} onDone={() => setAdding(false)} />
        ) : (
          <Button className="py-0! no-print" onClick={() => setAdding(true)}>
            Add advice
          </Button>
        ))}
    </div>
  );
}

function AddAdvice({
  pattern,
  framework,
  onDone,
}: {
  pattern: Props['pattern'];
  framework: number;
  onDone: () => void;
}) {
  const { scope } = useScope();
  const [key] = useState(newKey);
  const add = useAddAdvice(key);
  const [mark, setMark] = useState(0);
  const [advice, setAdvice] = useState('');
  const of = pattern.marks[mark];
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (of) {
      add.mutate({ who: scope.who, framework, domain: of.domain, own: of.own, advice }, { onSuccess: onDone });
    }
  };
  return (
    <InnerForm onSubmit={submit} onEscape={onDone} className="flex flex-col gap-1.5 py-1 no-print">
      {pattern.marks.length > 1 && (
        <select aria-label="For" value={mark} onChange={(e) => setMark(Number(e.target.value))}>
          {pattern.marks.map((m, i) => (
            <option key={m.domain} value={i}>
              {m.own} in {m.domain}
            </option>
          ))}
        </select>
      )}
      <textarea
        aria-label={`Advice for ${of?.own} in ${of?.domain}`}
        autoFocus
        required
        maxLength={500}
        rows={2}
        value={advice}
        onChange={(e) => setAdvice(e.target.value)}
      />
      <Complaint error={add.error} />
      <FormButtons verb="Add" disabled={add.isPending} onCancel={onDone} />
    </InnerForm>
  );
}

function ChangeAdvice({ advice, onDone }: { advice: ProfilesView['advice'][number]; onDone: () => void }) {
  const change = useChangeAdvice();
  const [text, setText] = useState(advice.advice);
  const submit = (e: FormEvent) => {
    e.preventDefault();
    change.mutate({ id: advice.id, advice: text, ended: false }, { onSuccess: onDone });
  };
  return (
    <li className="border-t border-hair">
      <InnerForm onSubmit={submit} onEscape={onDone} className="flex flex-col gap-1.5 py-1 no-print">
        <textarea
          aria-label="Advice"
          autoFocus
          required
          maxLength={500}
          rows={2}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <Complaint error={change.error} />
        <span className="flex gap-x-3">
          <FormButtons verb="Save" disabled={change.isPending} onCancel={onDone} />
          <Button
            disabled={change.isPending}
            onClick={() => change.mutate({ id: advice.id, advice: advice.advice, ended: true }, { onSuccess: onDone })}
          >
            Take out of the library
          </Button>
        </span>
      </InnerForm>
    </li>
  );
}
