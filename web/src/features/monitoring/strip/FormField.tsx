import { type KeyboardEvent, useEffect, useId, useState } from 'react';
import { plural } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { formsOf, tidy } from './forms';
import { useFormOf } from './queries';
import type { StripCell } from './useStripCells';

interface Props {
  cells: StripCell[];
  /** Names of the last year. */
  names: string[];
  /** What was typed and is not on record yet. */
  typed: string | undefined;
  onType: (typed: string | undefined) => void;
  /** After Enter: to the scores. */
  onNext: () => void;
}

/** On which form or passage the scores are taken: said once, for those that stand there and those still to come. */
export function FormField({ cells, names, typed, onType, onNext }: Props) {
  const { mutate, isPending, isPaused, error, reset } = useFormOf();
  const [said, setSaid] = useState('');
  const [here, setHere] = useState(false);
  const list = useId();
  const { most, counts } = formsOf(cells.map((c) => c.record));
  const name = tidy(typed ?? most);
  // Those on their way are told to the server with their own names.
  const there = cells.filter((c) => c.record.status === 'scored' && c.record.scoreId !== undefined && !c.item);
  const others = there.filter((c) => (c.record.form ?? '') !== name);
  useEffect(() => {
    // Once all scores say it, it is no longer only typed.
    if (typed !== undefined && tidy(typed) === most && counts.length === 1) onType(undefined);
  }, [typed, most, counts.length, onType]);

  const save = () => {
    const scores = others.map((c) => c.record.scoreId as number);
    if (scores.length === 0) return;
    mutate(
      { scores, form: name || undefined },
      {
        onSuccess: () => {
          onType(undefined);
          setSaid(`Saved for ${plural(scores.length, 'score')}.`);
        },
      },
    );
  };
  const leave = () => {
    setHere(false);
    if (typed !== undefined && name !== most) save();
  };
  const onKey = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.key === 'Enter') {
      e.preventDefault();
      onNext();
    } else if (e.key === 'Escape') {
      e.preventDefault();
      reset();
      onType(undefined);
    }
  };
  // What was typed and left without having been saved is offered, too; while it is typed nothing moves.
  const apart = name !== '' && others.length > 0 && (counts.length > 1 || (typed !== undefined && !here));
  const words = () => {
    if (isPending) return isPaused ? 'Waiting for the connection; sent by itself.' : 'Saving ...';
    if (apart) return `${counts.map(([form, n]) => `${form === '' ? 'not said' : form}: ${n}`).join(', ')}.`;
    if (said) return said;
    if (name === '') return 'If all read the same one, an easy or a hard one is not taken for growth.';
    return there.length === 0 ? 'Goes with each score typed from now on.' : '';
  };
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1 mb-1.5 min-h-[32px] text-[14px]">
      <label htmlFor={`${list}-field`} className="text-soft">
        Form or passage
      </label>
      <input
        id={`${list}-field`}
        list={list}
        maxLength={60}
        autoComplete="off"
        enterKeyHint="next"
        value={typed ?? most}
        aria-describedby={`${list}-said`}
        onChange={(e) => {
          setSaid('');
          reset();
          onType(e.target.value);
        }}
        onFocus={() => setHere(true)}
        onBlur={leave}
        onKeyDown={onKey}
        className="w-[200px] py-0.5!"
      />
      <datalist id={list}>
        {names.map((n) => (
          <option key={n} value={n} />
        ))}
      </datalist>
      <span id={`${list}-said`} aria-live="polite" className="text-soft text-[13px] no-print">
        {error ? <span className="text-danger">{error.message}</span> : words()}
      </span>
      {(apart || error) && (
        <Button className="py-0! no-print" disabled={isPending || others.length === 0} onClick={save}>
          {name === '' ? 'Take it from all' : `${name} for all ${there.length}`}
        </Button>
      )}
    </div>
  );
}
