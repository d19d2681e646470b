import { Button } from './Button';

interface Props {
  /** What stands there now, as it is shown in a cell. */
  theirs: string;
  /** What was typed. */
  mine: string;
  onKeep: () => void;
  onUse: () => void;
}

/** Somebody else was first: their entry stays, or one's own goes in its place. */
export function Overtaken({ theirs, mine, onKeep, onUse }: Props) {
  return (
    <>
      <Button onClick={onKeep}>Keep theirs ({theirs || 'empty'})</Button>{' '}
      <Button onClick={onUse}>Use mine ({mine || 'empty'})</Button>
    </>
  );
}
