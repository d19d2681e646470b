import type { SVGProps } from 'react';

interface Props extends SVGProps<SVGGElement> {
  label: string;
  pressed?: boolean;
  onPress: () => void;
}

/** Part of a picture that can be pressed, by pointer or by Enter and Space. */
export function SvgButton({ label, pressed, onPress, className = '', tabIndex = 0, ...rest }: Props) {
  return (
    <g
      role="button"
      tabIndex={tabIndex}
      aria-label={label}
      aria-pressed={pressed}
      className={`cursor-pointer ${className}`}
      onClick={onPress}
      onKeyDown={(e) => {
        if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          onPress();
        }
      }}
      {...rest}
    />
  );
}
