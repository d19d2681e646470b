import type { TierRow, TiersView } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { useOpine } from './queries';
import { TierDialog } from './TierDialog';

/** The teacher's own view of where a student stands: second evidence for the team. */
export function OpinionDialog({ view, row, onClose }: { view: TiersView; row: TierRow | null; onClose: () => void }) {
  const { nameOf } = useNames();
  const opine = useOpine();
  if (!row) return null;
  return (
    <TierDialog
      title={`Your view of ${nameOf(row.student)}`}
      about={`How much support does ${nameOf(row.student).split(' ')[0]} need in ${view.area.toLowerCase()}, as you know them? The team sees it beside the scores.`}
      tiers={view.tiers}
      note="What you see in class"
      first={row.opinion?.tier}
      firstNote={row.opinion?.note}
      busy={opine.isPending}
      error={opine.error}
      onClose={() => {
        opine.reset();
        onClose();
      }}
      onSave={(tier, note) =>
        opine.mutate(
          { studentId: row.student.id, window: view.window.id, area: view.area, tier, note, seen: row.opinion?.id },
          { onSuccess: onClose },
        )
      }
    />
  );
}
