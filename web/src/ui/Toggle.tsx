import type { ButtonHTMLAttributes } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  on: boolean;
}

/** One of several words of which one is chosen: underlined when it is. */
export function Toggle({ on, className = '', ...rest }: Props) {
  return (
    <button
      type="button"
      aria-pressed={on}
      className={`min-w-[24px] min-h-[24px] border-b-2 ${on ? 'font-semibold text-act border-act' : 'text-soft border-transparent hover:text-act'} ${className}`}
      {...rest}
    />
  );
}
