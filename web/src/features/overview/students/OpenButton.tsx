import { Button } from '../../../ui/Button';

/** Opens a lane to what is behind its marks, and closes it again. */
export function OpenButton({ title, open, onOpen }: { title: string; open: boolean; onOpen: (open: boolean) => void }) {
  return (
    <Button aria-expanded={open} aria-label={`${open ? 'Close' : 'Open here'}: ${title}`} onClick={() => onOpen(!open)}>
      {open ? 'Close' : 'Open here'}
    </Button>
  );
}
