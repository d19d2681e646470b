import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Complaint } from '../../../ui/States';
import { type LaneChoice, moved } from './lanes';

/** Which lanes are shown and in which order; each change shows at once. */
export function LanesDialog({
  lanes,
  choice,
  error,
  onChange,
  onClose,
}: {
  /** In the order shown, hidden ones too. */
  lanes: { key: string; title: string }[];
  choice: LaneChoice;
  /** Why the last change was not kept. */
  error: Error | null;
  onChange: (choice: LaneChoice) => void;
  onClose: () => void;
}) {
  const keys = lanes.map((l) => l.key);
  return (
    <Dialog open onClose={onClose} title="Lanes of this page">
      <p className="m-0 mb-2 text-soft">As chosen here they stand on every student's page, for you.</p>
      <ol className="list-none m-0 p-0">
        {lanes.map((l, i) => (
          <li key={l.key} className="flex items-center gap-3 border-b border-hair min-h-9 text-[15px]">
            <label className="flex-1 flex items-center gap-2">
              <input
                type="checkbox"
                checked={!choice.hidden.includes(l.key)}
                onChange={(e) =>
                  onChange({
                    ...choice,
                    hidden: e.target.checked ? choice.hidden.filter((k) => k !== l.key) : [...choice.hidden, l.key],
                  })
                }
              />
              {l.title}
            </label>
            <Button
              disabled={i === 0}
              aria-label={`Earlier: ${l.title}`}
              onClick={() => onChange({ ...choice, order: moved(keys, l.key, -1) })}
            >
              Earlier
            </Button>
            <Button
              disabled={i === lanes.length - 1}
              aria-label={`Later: ${l.title}`}
              onClick={() => onChange({ ...choice, order: moved(keys, l.key, 1) })}
            >
              Later
            </Button>
          </li>
        ))}
      </ol>
      <Complaint error={error} />
      <div className="mt-4 flex gap-4">
        <Button look="solid" onClick={onClose}>
          Done
        </Button>
        <Button onClick={() => onChange({ order: [], hidden: [] })}>As they were</Button>
      </div>
    </Dialog>
  );
}
