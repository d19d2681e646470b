import { Popover } from 'radix-ui';
import { type ReactNode, useState } from 'react';

/** A part of a sentence that can be changed: it opens what it can be changed to. */
export function SentencePart({
  label,
  text,
  children,
}: {
  label: string;
  text: string;
  children: (close: () => void) => ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={`${label}: ${text}`}
        className="font-semibold border-b-[1.5px] border-faint pb-px leading-snug text-left hover:border-act hover:text-act"
      >
        {text}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={8}
          collisionPadding={8}
          className="arrives z-40 bg-paper border border-line shadow-lg py-1.5 min-w-52 max-w-[94vw] max-h-[70vh] overflow-auto text-[15px]"
          aria-label={label}
        >
          {children(() => setOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** One of those. */
export function PartChoice({
  chosen,
  onChoose,
  children,
}: {
  chosen: boolean;
  onChoose: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-current={chosen}
      onClick={onChoose}
      className={`block w-full text-left px-4 py-1.5 hover:bg-picked -outline-offset-2 ${chosen ? 'font-semibold text-act' : ''}`}
    >
      {children}
    </button>
  );
}
