import { cloneElement, type ReactElement, useId } from 'react';

interface Props {
  label: string;
  hint?: string;
  error?: string;
  children: ReactElement<{ id?: string; 'aria-describedby'?: string; 'aria-invalid'?: boolean }>;
}

/** A labelled input with its hint and its error in one place. */
export function Field({ label, hint, error, children }: Props) {
  const id = useId();
  const about = error || hint ? `${id}-about` : undefined;
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-[13px] text-soft">
        {label}
      </label>
      {cloneElement(children, { id, 'aria-describedby': about, 'aria-invalid': error ? true : undefined })}
      {about && (
        <p id={about} className={`text-[13px] m-0 ${error ? 'text-danger' : 'text-soft'}`}>
          {error ?? hint}
        </p>
      )}
    </div>
  );
}
