import { Field } from './Field';

interface Props {
  value: string;
  onChange: (code: string) => void;
  error?: string;
  hint?: string;
  /** Where it comes up because it is wanted, it takes the focus. */
  focus?: boolean;
}

const KEPT = 'Six digits. If you have lost the device, type one of the codes that you kept.';

/** The code of the second step at sign-in, or one of those for a lost device. */
export function CodeField({ value, onChange, error, hint = KEPT, focus }: Props) {
  return (
    <Field label="Code of your authenticator" hint={hint} error={error}>
      <input
        autoFocus={focus}
        autoComplete="one-time-code"
        autoCapitalize="none"
        required
        maxLength={50}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </Field>
  );
}
