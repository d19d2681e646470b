import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { type ReactNode, useCallback, useEffect, useRef, useState } from 'react';
import { useUnsaved } from '../lib/unsaved';
import { Button } from './Button';

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

/**
 * A dialog. Where something has been typed into a form of it, Esc, a click beside it and the cross ask first; the form's own buttons do not. What is
 * sent with a form counts as done unless it was refused, and so does a form that is gone. Esc within a form marked data-inner is that form's own.
 */
export function Dialog({ open, onClose, title, description, size = 'small', children }: Props) {
  const typed = useRef(new Set<Element>());
  const sent = useRef(new Set<Element>());
  const [asking, setAsking] = useState(false);
  // Looked up while it opens: a field of the dialog that takes the focus by itself does so before any effect runs.
  const opener = useRef<Element | null>(null);
  const wasOpen = useRef(false);
  if (open && !wasOpen.current) opener.current = document.activeElement;
  wasOpen.current = open;
  const forget = useCallback(() => {
    typed.current.clear();
    sent.current.clear();
  }, []);
  useEffect(() => {
    if (open) return;
    forget();
    setAsking(false);
  }, [open, forget]);
  const unsaved = () =>
    [...typed.current].some((field) => field.isConnected) ||
    [...sent.current].some((field) => field.closest('form')?.querySelector('[role=alert], [aria-invalid=true]'));
  useUnsaved(unsaved);
  const leave = () => {
    if (unsaved() && !asking) setAsking(true);
    else if (!unsaved()) onClose();
  };
  return (
    <Radix.Root open={open} onOpenChange={(now) => !now && leave()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 bg-black/30 z-40 no-print" />
        <Radix.Content
          className={`arrives whole-page fixed z-50 bg-paper border border-line shadow-xl overflow-auto
            ${SIZES[size]}`}
          aria-describedby={description ? undefined : ''}
          onCloseAutoFocus={(e) => {
            // Back to where it was opened from; where that is gone, to the view.
            e.preventDefault();
            const back = opener.current?.isConnected ? opener.current : document.getElementById('view');
            (back as HTMLElement | null)?.focus({ preventScroll: true });
          }}
          onInput={(e) => {
            const field = e.target as HTMLElement;
            if (field.closest('form') && !field.closest('[data-nothing-lost]')) typed.current.add(field);
          }}
          onSubmit={(e) => {
            for (const field of typed.current) {
              if (!(e.target as Element).contains(field)) continue;
              typed.current.delete(field);
              sent.current.add(field);
            }
          }}
          onEscapeKeyDown={(e) => {
            if (document.activeElement?.closest('[data-inner]')) e.preventDefault();
          }}
        >
          <div className="flex items-start gap-4 mb-3">
            <Radix.Title className="text-[19px] font-semibold tracking-tight m-0 flex-1">{title}</Radix.Title>
            <Radix.Close aria-label="Close" className="text-soft hover:text-ink p-1 -m-1 no-print">
              <X size={18} aria-hidden />
            </Radix.Close>
          </div>
          {description && <Radix.Description className="text-soft mb-3">{description}</Radix.Description>}
          {children}
          {asking && (
            <div
              role="alert"
              className="sticky -bottom-5 -mx-5 -mb-5 mt-4 px-5 py-3 bg-wash border-t-2 border-ochre flex flex-wrap gap-x-4 gap-y-1 items-center"
            >
              <span className="flex-1">What you typed here has not been saved.</span>
              <Button look="solid" autoFocus onClick={() => setAsking(false)}>
                Go on with it
              </Button>
              <Button
                onClick={() => {
                  forget();
                  onClose();
                }}
              >
                Close without saving
              </Button>
            </div>
          )}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
