import type { FormHTMLAttributes } from 'react';

interface Props extends FormHTMLAttributes<HTMLFormElement> {
  /** Left out where the form is all of the dialog: then Esc is the dialog's. */
  onEscape: (() => void) | undefined;
}

/** A form within a dialog or a list: Esc closes it alone. */
export function InnerForm({ onEscape, ...rest }: Props) {
  return (
    <form
      data-inner={onEscape ? '' : undefined}
      {...rest}
      onKeyDown={(e) => {
        if (!onEscape || e.key !== 'Escape') return;
        e.stopPropagation();
        e.preventDefault();
        onEscape();
      }}
    />
  );
}
