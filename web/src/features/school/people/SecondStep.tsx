import { type FormEvent, useId, useState } from 'react';
import { plural } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { CodeField } from '../../../ui/CodeField';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useBeginStep, useConfirmStep, useRemoveStep } from './queries';

interface Props {
  on: boolean;
  codesLeft: number;
  /** Whether its form is there at once. */
  start?: boolean;
  done?: () => void;
}

/** A second step at sign-in: set up, or taken away. */
export function SecondStep({ on, codesLeft, start = false, done }: Props) {
  const heading = useId();
  const begin = useBeginStep();
  const confirm = useConfirmStep();
  const remove = useRemoveStep();
  const [current, setCurrent] = useState('');
  const [code, setCode] = useState('');
  const [kept, setKept] = useState(false);
  const [open, setOpen] = useState(start);
  const clear = () => {
    setOpen(start);
    setCurrent('');
    setCode('');
  };
  const of = (error: typeof begin.error, field: string) => (error?.field === field ? error.message : undefined);
  const present = (error?: string) => (
    <Field label="Present password" error={error}>
      <input
        type="password"
        autoComplete="current-password"
        autoFocus={!start}
        required
        value={current}
        onChange={(e) => setCurrent(e.target.value)}
      />
    </Field>
  );
  const submit = (change: () => void) => (e: FormEvent) => {
    e.preventDefault();
    change();
  };

  let body = (
    <form className="grid gap-3 max-w-md" onSubmit={submit(() => begin.mutate(current, { onSuccess: clear }))}>
      <p className="m-0 text-soft text-[14px]">
        Then a stolen password alone lets nobody in: at sign-in you also type six digits that an authenticator, such as
        one on your phone, shows at that moment.
      </p>
      {open && present(of(begin.error, 'current'))}
      {begin.error && !begin.error.field && <Complaint error={begin.error} />}
      {open ? (
        <FormButtons verb="Set it up" disabled={begin.isPending} onCancel={start ? undefined : clear} />
      ) : (
        <div>
          <Button onClick={() => setOpen(true)}>Set up a second step</Button>
        </div>
      )}
    </form>
  );
  if (confirm.data && !kept) {
    body = (
      <div className="grid gap-3 max-w-md" role="status">
        <p className="m-0">
          <b className="font-semibold">It is set up.</b> Keep these codes where you find them without your device, on
          paper for example. Each lets you in once. They are shown now and never again.
        </p>
        <ul className="m-0 p-0 list-none font-mono text-[13.5px] grid gap-0.5">
          {confirm.data.codes.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
        <div>
          <Button
            look="solid"
            onClick={() => {
              setKept(true);
              begin.reset();
              done?.();
            }}
          >
            I have kept them
          </Button>
        </div>
      </div>
    );
  } else if (on) {
    body = (
      <form
        className="grid gap-3 max-w-md"
        onSubmit={submit(() => remove.mutate({ current, code }, { onSuccess: clear }))}
      >
        <p className="m-0 text-[14px]">
          A code is asked for when you sign in. {plural(codesLeft, 'code')} for a lost device{' '}
          {codesLeft === 1 ? 'is' : 'are'} left.
        </p>
        {open && present(of(remove.error, 'current'))}
        {open && <CodeField value={code} onChange={setCode} error={of(remove.error, 'code')} />}
        {remove.error && !remove.error.field && <Complaint error={remove.error} />}
        {open ? (
          <FormButtons verb="Take it away" disabled={remove.isPending} onCancel={clear} />
        ) : (
          <div>
            <Button onClick={() => setOpen(true)}>Take the second step away</Button>
          </div>
        )}
      </form>
    );
  } else if (begin.data) {
    body = (
      <form
        className="grid gap-3 max-w-md"
        onSubmit={submit(() => confirm.mutate(code, { onSuccess: clear, onError: () => setCode('') }))}
      >
        <p className="m-0 text-[14px]">
          Let the authenticator look at the picture, or type the letters into it. Then type the six digits that it
          shows.
        </p>
        <Picture rows={begin.data.picture} />
        <p className="m-0 font-mono text-[13.5px] break-all">{begin.data.secret.replace(/(.{4})(?=.)/g, '$1 ')}</p>
        <CodeField value={code} onChange={setCode} error={of(confirm.error, 'code')} hint="Six digits." focus />
        {confirm.error && !confirm.error.field && <Complaint error={confirm.error} />}
        <FormButtons verb="Turn it on" disabled={confirm.isPending} onCancel={() => begin.reset()} />
      </form>
    );
  }
  return (
    <section aria-labelledby={heading}>
      <h3 id={heading} className="text-[15px] font-semibold m-0 mb-1">
        A second step at sign-in
      </h3>
      {body}
    </section>
  );
}

/** A QR code; black on white whatever the page's colours, as cameras want it, with the quiet zone of four that the standard asks for. */
function Picture({ rows }: { rows: string[] }) {
  const size = rows.length + 8;
  const dark = rows.flatMap((row, y) => [...row].map((dot, x) => (dot === '1' ? `M${x + 4} ${y + 4}h1v1h-1z` : '')));
  return (
    <svg
      role="img"
      aria-label="Picture for the authenticator; the letters below it say the same"
      viewBox={`0 0 ${size} ${size}`}
      width={190}
      height={190}
      shapeRendering="crispEdges"
      style={{ forcedColorAdjust: 'none' }}
    >
      <path d={`M0 0h${size}v${size}h-${size}z`} fill="#fff" />
      <path d={dark.join('')} fill="#000" />
    </svg>
  );
}
