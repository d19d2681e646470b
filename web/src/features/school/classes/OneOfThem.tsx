import { Button } from '../../../ui/Button';

interface Props {
  name: string;
  /** What they leave, for those who hear the button alone; absent where the viewer only looks. */
  leaves?: string;
  disabled: boolean;
  onLeave: () => void;
}

/** Somebody in a group or on a caseload, with the way out of it. */
export function OneOfThem({ name, leaves, disabled, onLeave }: Props) {
  return (
    <li className="flex items-center gap-3 py-0.5 text-[14px]">
      <span className="flex-1 min-w-0 truncate">{name}</span>
      {leaves && (
        <Button className="py-0!" aria-label={`${name} leaves ${leaves} today`} disabled={disabled} onClick={onLeave}>
          Leaves today
        </Button>
      )}
    </li>
  );
}
