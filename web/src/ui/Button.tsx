import type { ComponentProps } from 'react';

interface Props extends ComponentProps<'button'> {
  /** solid: the one thing to do here; line: the suggested one of several; plain: the others. */
  look?: 'solid' | 'line' | 'plain';
}

const LOOKS = {
  solid: 'bg-act text-[var(--on-mark)] px-4 py-1.5 rounded-[4px] disabled:opacity-50',
  line: 'text-act px-0.5 py-1 border-b-[1.5px] border-act disabled:opacity-50',
  plain: 'text-act px-0.5 py-1 border-b-[1.5px] border-transparent hover:border-act disabled:opacity-50',
};

export function Button({ look = 'plain', className = '', type = 'button', ...rest }: Props) {
  return <button type={type} className={`font-semibold text-[13.5px] ${LOOKS[look]} ${className}`} {...rest} />;
}
