import { type FormEvent, useState } from 'react';
import type { AtHome, Grouped, StudentPage } from '../../../api/types';
import { gradeTitle } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { WithReason } from '../../../ui/WithReason';
import { useAtHome, useCalled, useGrouped, useTakeBackAtHome, useTakeBackGrouped } from './factQueries';

const GRADES = Object.fromEntries(Array.from({ length: 14 }, (_, g) => [String(g), gradeTitle(g)]));

interface Props<T = undefined> {
  page: StudentPage;
  /** What is changed; nothing for something new. */
  known?: T;
  onClose: () => void;
}

/** What a student is called, the birthday, and the grade where it is not the class's. */
export function CalledDialog({ page, onClose }: Props) {
  const { nameOf } = useNames();
  const save = useCalled(page.student.id);
  const [name, setName] = useState(page.facts.preferredName ?? '');
  const [birthday, setBirthday] = useState(page.facts.birthday ?? '');
  const [grade, setGrade] = useState(String(page.grade));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(
      {
        preferredName: name.trim() || undefined,
        birthday: birthday || undefined,
        grade: Number(grade) === page.grade ? undefined : Number(grade),
      },
      { onSuccess: onClose },
    );
  };
  const wrong = (field: string) => (save.error?.field === field ? save.error.message : undefined);
  return (
    <Dialog open onClose={onClose} title={nameOf(page.student)}>
      <form onSubmit={submit} className="grid gap-3">
        <Field
          label="Called"
          hint={`If it is another name than ${page.facts.givenName}. Lists show it.`}
          error={wrong('preferredName')}
        >
          <input autoFocus maxLength={80} value={name} onChange={(e) => setName(e.target.value)} />
        </Field>
        <Field label="Birthday" error={wrong('birthday')}>
          <DayField value={birthday} onChange={setBirthday} />
        </Field>
        <Field
          label="Grade"
          hint="In a class of several grades: cut scores and norms go by the student's own."
          error={wrong('grade')}
        >
          <Choice value={grade} options={GRADES} onChange={setGrade} />
        </Field>
        {!save.error?.field && <Complaint error={save.error} />}
        <FormButtons verb="Save" disabled={save.isPending} onCancel={onClose} />
      </form>
    </Dialog>
  );
}

/** Support, the language at home, or another grouping of the school's own, with its days. */
export function GroupedDialog({ page, known, onClose }: Props<Grouped>) {
  const { nameOf } = useNames();
  const save = useGrouped(page.student.id, known?.id);
  const back = useTakeBackGrouped(page.student.id);
  const groupings = Object.fromEntries(page.facts.groupings.map((g) => [String(g.id), g.name]));
  if (known) groupings[String(known.groupingId)] = known.grouping;
  const [grouping, setGrouping] = useState(String(known?.groupingId ?? page.facts.groupings[0]?.id ?? ''));
  const [value, setValue] = useState(known?.value ?? '');
  const [starts, setStarts] = useState(known?.starts ?? '');
  const [ends, setEnds] = useState(known?.ends ?? '');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(
      { grouping: Number(grouping), value, starts: starts || undefined, ends: ends || undefined },
      { onSuccess: onClose },
    );
  };
  const wrong = (field: string) => (save.error?.field === field ? save.error.message : undefined);
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${known ? known.grouping : 'Kept of'} ${known ? 'of ' : ''}${nameOf(page.student)}`}
    >
      <form onSubmit={submit} className="grid gap-3">
        <Field label="About" error={wrong('grouping')}>
          <Choice
            autoFocus
            disabled={known !== undefined}
            value={grouping}
            options={groupings}
            onChange={setGrouping}
          />
        </Field>
        <Field label="What" hint="As the school says it, for instance Individual plan, or Tamil" error={wrong('value')}>
          <input required maxLength={120} value={value} onChange={(e) => setValue(e.target.value)} />
        </Field>
        <div className="flex flex-wrap gap-3">
          <Field label="Since" hint="empty: always" error={wrong('starts')}>
            <DayField value={starts} onChange={setStarts} />
          </Field>
          <Field label="Last day" hint="empty: it goes on" error={wrong('ends')}>
            <DayField value={ends} onChange={setEnds} />
          </Field>
        </div>
        {!save.error?.field && <Complaint error={save.error} />}
        <FormButtons verb="Save" disabled={save.isPending} onCancel={onClose} />
      </form>
      {known && (
        <div className="mt-3 pt-2 border-t border-hair">
          <WithReason
            verb="Take back"
            about={known.value}
            effect="It was never so, and is shown no more from today."
            pending={back.isPending}
            error={back.error}
            onDo={(because) => back.mutate({ row: known.id, because }, { onSuccess: onClose })}
          />
        </div>
      )}
    </Dialog>
  );
}

const REACH = {
  '': 'no matter how',
  phone: 'by phone',
  message: 'by message',
  email: 'by e-mail',
  letter: 'by letter',
  'in-person': 'in person',
};

/** Somebody at home: who, how and when to reach them, in which language. */
export function AtHomeDialog({ page, known, onClose }: Props<AtHome>) {
  const { nameOf } = useNames();
  const save = useAtHome(page.student.id, known?.id);
  const back = useTakeBackAtHome(page.student.id);
  const [to, setTo] = useState({
    name: known?.name ?? '',
    relation: known?.relation ?? '',
    phone: known?.phone ?? '',
    email: known?.email ?? '',
    language: known?.language ?? '',
    reachWhen: known?.reachWhen ?? '',
    ends: known?.ends ?? '',
  });
  const [reachBy, setReachBy] = useState<keyof typeof REACH>(known?.reachBy ?? '');
  const [noWriting, setNoWriting] = useState(known?.noWriting ?? false);
  const [own, setOwn] = useState(known?.own ?? false);
  const put = (field: keyof typeof to) => (value: string) => setTo((now) => ({ ...now, [field]: value }));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const filled = Object.fromEntries(
      Object.entries(to)
        .map(([k, v]) => [k, v.trim()])
        .filter(([, v]) => v),
    );
    save.mutate(
      { ...filled, name: to.name.trim(), reachBy: reachBy || undefined, noWriting, own },
      { onSuccess: onClose },
    );
  };
  const text = (field: keyof typeof to, label: string, hint?: string, more = {}) => (
    <Field label={label} hint={hint} error={save.error?.field === field ? save.error.message : undefined}>
      <input maxLength={120} value={to[field]} onChange={(e) => put(field)(e.target.value)} {...more} />
    </Field>
  );
  return (
    <Dialog open onClose={onClose} title={`At the home of ${nameOf(page.student)}`}>
      <form onSubmit={submit} className="grid sm:grid-cols-2 gap-3">
        {text('name', 'Name', undefined, { required: true, autoFocus: true })}
        {text('relation', 'Who they are', 'mother, uncle, carer, …', { maxLength: 60 })}
        {text('phone', 'Phone', undefined, { type: 'tel', maxLength: 60 })}
        {text('email', 'E-mail', undefined, { type: 'email', maxLength: 200 })}
        {text('language', 'Language', 'to speak and write in', { maxLength: 60 })}
        <Field label="Best reached">
          <Choice value={reachBy} options={REACH} onChange={setReachBy} />
        </Field>
        {text('reachWhen', 'When', 'after 5, not on Fridays, …')}
        <Field label="Last day" hint="empty: they are to be reached">
          <DayField value={to.ends} onChange={put('ends')} />
        </Field>
        <label className="flex items-center gap-2 sm:col-span-2">
          <input type="checkbox" checked={noWriting} onChange={(e) => setNoWriting(e.target.checked)} /> Must not be
          written to
        </label>
        <label className="flex items-center gap-2 sm:col-span-2">
          <input type="checkbox" checked={own} onChange={(e) => setOwn(e.target.checked)} /> This is the student's own
          address
        </label>
        <div className="sm:col-span-2">
          {save.error && !(save.error.field && save.error.field in to) && <Complaint error={save.error} />}
          <FormButtons verb="Save" disabled={save.isPending} onCancel={onClose} />
        </div>
      </form>
      {known && (
        <div className="mt-3 pt-2 border-t border-hair">
          <WithReason
            verb="Take back"
            about={known.name}
            effect="They should never have been here, and are shown no more from today."
            pending={back.isPending}
            error={back.error}
            onDo={(because) => back.mutate({ row: known.id, because }, { onSuccess: onClose })}
          />
        </div>
      )}
    </Dialog>
  );
}
