interface Props {
  number: number;
  name: string;
  on: boolean;
  onPick: () => void;
}

/** A row's number, which picks its student. */
export function PickNumber({ number, name, on, onPick }: Props) {
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-label={`${number}, pick ${name}`}
      className="w-7 min-h-[25px] text-left pl-0.5 text-[12.5px] text-faint hover:text-act"
      onClick={onPick}
    >
      {number}
    </button>
  );
}
