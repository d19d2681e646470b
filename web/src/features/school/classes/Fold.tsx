import { type ReactNode, useState } from 'react';

/** A line with what belongs to it, and the students in it behind a word. */
export function Fold({
  title,
  about,
  more,
  children,
}: {
  title: string;
  about: string;
  more?: ReactNode;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <li className="border-t border-hair py-1.5">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <b className="font-semibold">{title}</b>
        <span className="text-soft text-[13.5px]">{about}</span>
        <span className="ml-auto flex gap-4">
          {more}
          <button
            type="button"
            aria-expanded={open}
            className="text-act font-semibold text-[13.5px]"
            onClick={() => setOpen(!open)}
          >
            {open ? 'Close' : 'Students'}
            <span className="sr-only"> of {title}</span>
          </button>
        </span>
      </div>
      {open && <ul className="m-0 mt-1 p-0 list-none grid md:grid-cols-2 gap-x-10">{children}</ul>}
    </li>
  );
}
