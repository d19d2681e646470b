import type { TrendCard } from '../../api/types';
import { Dialog } from '../../ui/Dialog';
import { GoalForm } from './GoalForm';

/** A goal set from a page whose chart the dialog hides, so that there is nothing to draw it into. */
export function GoalDialog({ card, title, onClose }: { card: TrendCard; title: string; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} title={title}>
      <GoalForm card={card} onDraw={ignore} onDone={onClose} />
    </Dialog>
  );
}

const ignore = () => {};
