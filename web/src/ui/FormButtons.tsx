import { Button } from './Button';

/** The end of a form in a dialog: what it does, and the way out. */
export function FormButtons({ verb, disabled, onCancel }: { verb: string; disabled: boolean; onCancel?: () => void }) {
  return (
    <div className="flex gap-4 items-center">
      <Button look="solid" type="submit" disabled={disabled}>
        {verb}
      </Button>
      {onCancel && <Button onClick={onCancel}>Cancel</Button>}
    </div>
  );
}
