import type { SelectHTMLAttributes } from 'react';

interface Props<T extends string> extends Omit<SelectHTMLAttributes<HTMLSelectElement>, 'value' | 'onChange'> {
  /** Undefined where nothing is chosen yet. */
  value: T | undefined;
  /** What can be chosen, in its order, each with its words. */
  options: Record<T, string>;
  onChange: (value: T) => void;
}

/** One of a few codes, each in words. */
export function Choice<T extends string>({ value, options, onChange, ...rest }: Props<T>) {
  return (
    <select {...rest} value={value ?? ''} onChange={(e) => onChange(e.target.value as T)}>
      {value === undefined && (
        <option value="" disabled>
          Choose
        </option>
      )}
      {(Object.entries(options) as [T, string][]).map(([code, words]) => (
        <option key={code} value={code}>
          {words}
        </option>
      ))}
    </select>
  );
}
