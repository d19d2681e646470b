import { useEffect, useState } from 'react';
import type { MarkAt, MarkKind, Passage, ReadingHome, StudentRef } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { clock, KINDS, touched } from '../../../parts/reading/marks';
import { PassageText } from '../../../parts/reading/PassageText';
import { Button } from '../../../ui/Button';
import { Toggle } from '../../../ui/Toggle';
import { FinishForm } from './FinishForm';

/** A reading under way, kept on this device until it is saved. */
export interface Draft {
  student: StudentRef;
  passageId: number;
  limit: number | null;
  marks: MarkAt[];
  state: 'ready' | 'reading' | 'bell' | 'finish';
  /** When the clock was started, as the device tells the time. */
  startedAt?: number;
  seconds?: number;
  lastWord?: number;
  /** What was filled in after the reading; going back to the words loses none of it. */
  after?: After;
}

/** Retelling, answers and observations as they stand in the form. */
export interface After {
  retelling: string;
  answers: Record<number, string>;
  seen: Record<number, boolean>;
  level: string;
  reason: string;
  note: string;
}

interface Props {
  home: ReadingHome;
  passage: Passage;
  draft: Draft;
  onDraft: (draft: Draft) => void;
  onDone: (id: number) => void;
  onDrop: () => void;
}

/** The clock, the kinds of marks, and the passage to touch. */
export function LiveReading({ home, passage, draft, onDraft, onDone, onDrop }: Props) {
  const { nameOf } = useNames();
  const [dropping, setDropping] = useState(false);
  const [kind, setKind] = useState<MarkKind>('error');
  const [now, setNow] = useState(Date.now());
  const elapsed = draft.seconds ?? (draft.startedAt ? (now - draft.startedAt) / 1000 : 0);
  useEffect(() => {
    if (draft.state !== 'reading') return;
    const timer = setInterval(() => setNow(Date.now()), 200);
    return () => clearInterval(timer);
  }, [draft.state]);
  const over = draft.state === 'reading' && draft.limit !== null && elapsed >= draft.limit;
  useEffect(() => {
    if (over && draft.limit !== null) onDraft({ ...draft, state: 'bell', seconds: draft.limit });
  }, [over, draft, onDraft]);

  const touch = (word: number, key?: string) => {
    if (draft.state === 'bell' && key === undefined) {
      onDraft({ ...draft, lastWord: word });
      return;
    }
    if (draft.state === 'ready' || draft.state === 'finish') return;
    const code = KINDS.find((k) => k.key === key)?.code ?? kind;
    onDraft({ ...draft, marks: touched(draft.marks, word, code, Math.round(elapsed * 10) / 10) });
  };
  const finished = () =>
    onDraft({
      ...draft,
      state: 'finish',
      seconds: Math.max(1, Math.round(elapsed * 10) / 10),
      lastWord: passage.words,
    });

  return (
    <section aria-label={`Reading of ${nameOf(draft.student)}`}>
      <div className="sticky top-0 md:-top-4 bg-paper z-10 border-b border-line py-2 flex flex-wrap items-center gap-x-5 gap-y-1">
        <h1 className="text-[17px] font-semibold m-0">
          {nameOf(draft.student)} <span className="text-soft font-normal">{passage.title}</span>
        </h1>
        <span role="timer" className="text-[22px] font-semibold tabular-nums min-w-[64px]">
          {clock(draft.limit === null ? elapsed : draft.limit - elapsed)}
        </span>
        {draft.state === 'ready' && (
          <Button
            look="solid"
            onClick={() => {
              setNow(Date.now());
              onDraft({ ...draft, state: 'reading', startedAt: Date.now() });
            }}
          >
            Start the clock
          </Button>
        )}
        {draft.state !== 'ready' && draft.state !== 'finish' && (
          <fieldset className="border-0 p-0 m-0 flex flex-wrap gap-x-4">
            <legend className="sr-only">What a touch marks</legend>
            {KINDS.map((k) => (
              <Toggle key={k.code} on={kind === k.code} className="min-h-[36px]! px-1" onClick={() => setKind(k.code)}>
                {k.name} <span className="text-faint text-[12px]">{k.key}</span>
              </Toggle>
            ))}
          </fieldset>
        )}
        {draft.state === 'reading' && <Button onClick={finished}>Read to the end</Button>}
        {draft.state === 'reading' && (
          <Button
            onClick={() => onDraft({ ...draft, state: 'bell', seconds: Math.max(1, Math.round(elapsed * 10) / 10) })}
          >
            Stop here
          </Button>
        )}
        {draft.state === 'bell' && (
          <Button
            look="solid"
            disabled={draft.lastWord === undefined}
            onClick={() => onDraft({ ...draft, state: 'finish' })}
          >
            Go on
          </Button>
        )}
        {draft.state === 'finish' && (
          <Button onClick={() => onDraft({ ...draft, state: 'bell' })}>Back to the words</Button>
        )}
        {dropping ? (
          <span role="alert" className="ml-auto flex items-center gap-3">
            The marks and the time would be gone.
            <Button look="line" onClick={onDrop}>
              Drop it
            </Button>
            <Button autoFocus onClick={() => setDropping(false)}>
              Keep it
            </Button>
          </span>
        ) : (
          <Button className="ml-auto" onClick={() => (draft.state === 'ready' ? onDrop() : setDropping(true))}>
            Drop this reading
          </Button>
        )}
      </div>
      <p className="m-0 my-1.5 text-soft min-h-[22px]" aria-live="assertive">
        {draft.state === 'bell' && (
          <b className="font-semibold text-ink">
            {draft.lastWord === undefined
              ? 'Time. Touch the last word that was read.'
              : 'Touch another word if it was not the last; keys still set marks.'}
          </b>
        )}
        {draft.state === 'ready' &&
          'The clock starts with the first word. Everything is kept on this device until it is saved.'}
        {draft.state === 'reading' &&
          'Touch a word to mark it, touch again to take it back. With the arrow keys and a letter it goes, too.'}
      </p>
      {draft.state === 'finish' ? (
        <FinishForm
          home={home}
          passage={passage}
          draft={draft}
          onAfter={(after) => onDraft({ ...draft, after })}
          onDone={onDone}
        />
      ) : (
        <PassageText passage={passage} marks={draft.marks} lastWord={draft.lastWord} onTouch={touch} />
      )}
    </section>
  );
}
