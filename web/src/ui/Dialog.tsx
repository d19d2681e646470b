import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  open: boolean;
  onClose: () => void;
  title: ReactNode;
  /** What it is about, for those who do not see it. */
  description?: string;
  size?: keyof typeof SIZES;
  children: ReactNode;
}

const SIZES = {
  small: 'left-1/2 top-[12vh] -translate-x-1/2 w-[min(480px,94vw)] max-h-[80vh] p-5',
  medium: 'left-1/2 top-[5vh] -translate-x-1/2 w-[min(680px,96vw)] max-h-[90vh] p-5',
  wide: 'inset-x-2 top-2 bottom-2 md:inset-x-[4vw] md:top-[4vh] md:bottom-[4vh] p-4 md:p-6',
};

export function Dialog({ open, onClose, title, description, size = 'small', children }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 bg-black/30 z-40 no-print" />
        <Radix.Content
          className={`arrives whole-page fixed z-50 bg-paper border border-line shadow-xl overflow-auto
            ${SIZES[size]}`}
          aria-describedby={description ? undefined : ''}
        >
          <div className="flex items-start gap-4 mb-3">
            <Radix.Title className="text-[19px] font-semibold tracking-tight m-0 flex-1">{title}</Radix.Title>
            <Radix.Close aria-label="Close" className="text-soft hover:text-ink p-1 -m-1 no-print">
              <X size={18} aria-hidden />
            </Radix.Close>
          </div>
          {description && <Radix.Description className="text-soft mb-3">{description}</Radix.Description>}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
