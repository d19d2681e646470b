import type { TierRow, TiersView } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { useDecideTiers } from './queries';
import { TierDialog } from './TierDialog';

/** Another tier than proposed: with a reason, and the proposal is kept beside it. */
export function OverrideDialog({ view, row, onClose }: { view: TiersView; row: TierRow | null; onClose: () => void }) {
  const { scope } = useScope();
  const { nameOf } = useNames();
  const decide = useDecideTiers();
  if (!row) return null;
  return (
    <TierDialog
      title={`A tier for ${nameOf(row.student)}`}
      about={
        row.proposal
          ? `Proposed: tier ${row.proposal.tier}. ${row.proposal.reason}`
          : 'Not tested, so nothing is proposed.'
      }
      tiers={view.tiers}
      note="Why"
      noteNeeded
      first={row.decided?.tier}
      busy={decide.isPending}
      error={decide.error}
      onClose={() => {
        decide.reset();
        onClose();
      }}
      onSave={(tier, reason) =>
        decide.mutate(
          {
            who: scope.who,
            year: scope.year,
            window: view.window.id,
            area: view.area,
            decisions: [
              {
                studentId: row.student.id,
                outcome: 'overridden',
                tier,
                reason,
                proposed: row.proposal?.tier,
                seen: row.decided?.id,
              },
            ],
          },
          { onSuccess: onClose },
        )
      }
    />
  );
}
