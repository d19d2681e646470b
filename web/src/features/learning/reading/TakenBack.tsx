import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { useRestoreReading } from './queries';

/** Says what was taken back, and brings it back. */
export function TakenBack({ gone, onBack }: { gone: { id: number; whose: string }; onBack: () => void }) {
  const restore = useRestoreReading();
  return (
    <div role="status" className="mb-2 text-[14px] no-print">
      The reading of {gone.whose} was taken back. A score that came from it stays on the chart.{' '}
      <Button
        className="py-0!"
        disabled={restore.isPending}
        onClick={() => restore.mutate(gone.id, { onSuccess: onBack })}
      >
        Undo
      </Button>
      <Complaint error={restore.error} />
    </div>
  );
}
