import { type KeyboardEvent, useRef } from 'react';
import type { MarkAt, MarkKind, Passage } from '../../api/types';
import { KINDS, nameOfKind } from './marks';

interface Props {
  passage: Passage;
  marks: MarkAt[];
  lastWord?: number;
  /** A second reading's marks, shown under the words. */
  earlier?: MarkAt[];
  onTouch?: (word: number, key?: string) => void;
  /** Errors and self-corrections a line, at its end. */
  counts?: { firstWord: number; errors: number; selfCorrected: number }[];
}

/** The passage with its marks; lines end with the number of their last word. */
export function PassageText({ passage, marks, lastWord, earlier, onTouch, counts }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const onKey = (e: KeyboardEvent, word: number) => {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[e.key];
    if (step) {
      e.preventDefault();
      box.current?.querySelector<HTMLButtonElement>(`[data-word="${word + step}"]`)?.focus();
    } else if (KINDS.some((k) => k.key === e.key) && !e.ctrlKey && !e.metaKey) {
      e.preventDefault();
      onTouch?.(word, e.key);
    }
  };
  let n = 0;
  return (
    <div ref={box} className="text-[21px] leading-[2.35] max-w-4xl">
      {passage.lines.map((words, l) => {
        const first = n + 1;
        const count = counts?.find((c) => c.firstWord === first);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: lines of a text do not move
          <p key={l} className="m-0 flex gap-4 items-baseline">
            <span className="flex-1">
              {l === 0 && (onTouch || marks.some((m) => m.word === 0)) && (
                <Beginning marked={marks.some((m) => m.word === 0)} onTouch={onTouch} />
              )}
              {words.map((word) => {
                n++;
                const at = n;
                const mark = marks.find((m) => m.word === at && m.kind !== 'inserted');
                const inserted = marks.some((m) => m.word === at && m.kind === 'inserted');
                const before = earlier?.find((m) => m.word === at && m.kind !== 'inserted');
                const look = (
                  <Word
                    word={word}
                    kind={mark?.kind}
                    inserted={inserted}
                    before={before?.kind}
                    unread={lastWord !== undefined && at > lastWord}
                    last={at === lastWord}
                  />
                );
                return (
                  <span key={at}>
                    {onTouch ? (
                      <button
                        type="button"
                        data-word={at}
                        tabIndex={at === 1 ? 0 : -1}
                        aria-label={`${word}, word ${at}${mark ? `, ${nameOfKind(mark.kind)}` : ''}${inserted ? ', something inserted after' : ''}${at === lastWord ? ', last word' : ''}`}
                        onClick={() => onTouch(at)}
                        onKeyDown={(e) => onKey(e, at)}
                        className="px-[3px] min-h-[40px] rounded-[3px] hover:bg-wash [touch-action:manipulation]"
                      >
                        {look}
                      </button>
                    ) : (
                      <span className="px-[3px]">{look} </span>
                    )}
                  </span>
                );
              })}
            </span>
            {count && (
              <span className="text-[12.5px] text-soft w-28 text-right leading-none">
                {count.errors > 0 && `${count.errors} err.`} {count.selfCorrected > 0 && `${count.selfCorrected} corr.`}
              </span>
            )}
            <span className="text-[12.5px] text-faint w-8 text-right leading-none">{n}</span>
          </p>
        );
      })}
    </div>
  );
}

/** Before the first word something can only have been inserted. */
function Beginning({ marked, onTouch }: { marked: boolean; onTouch?: (word: number, key?: string) => void }) {
  const sign = <Sign text="‸" className={marked ? 'text-plum font-semibold' : 'text-faint'} />;
  return onTouch ? (
    <button
      type="button"
      aria-label={`Before the first word${marked ? ', something inserted' : ''}`}
      aria-pressed={marked}
      onClick={() => onTouch(0, 'i')}
      className="px-[3px] min-w-[24px] min-h-[40px] rounded-[3px] hover:bg-wash"
    >
      {sign}
    </button>
  ) : (
    sign
  );
}

const STROKE: Partial<Record<MarkKind, string>> = {
  error: 'line-through decoration-2 decoration-[var(--plum)]',
  'left-out': 'text-faint underline decoration-dotted decoration-2',
  told: 'underline decoration-2 decoration-[var(--plum)]',
  'self-corrected': 'underline decoration-wavy decoration-[var(--teal)]',
};

function Word({
  word,
  kind,
  inserted,
  before,
  unread,
  last,
}: {
  word: string;
  kind?: MarkKind;
  inserted: boolean;
  before?: string;
  unread: boolean;
  last: boolean;
}) {
  const sign = KINDS.find((k) => k.code === kind)?.sign;
  // Signs are drawn, not text: the word's own label says them.
  return (
    <span className="relative inline-block">
      {sign && <Sign text={sign} className="absolute top-[1px] left-0 text-[12px] text-plum font-semibold" />}
      <span className={`${kind ? (STROKE[kind] ?? '') : ''} ${unread ? 'text-faint' : ''}`}>{word}</span>
      {inserted && <Sign text="‸" className="text-plum font-semibold" />}
      {last && <Sign text=" ⟧" className="text-act font-semibold" />}
      {before && (
        <Sign
          text={KINDS.find((k) => k.code === before)?.sign ?? ''}
          className="absolute bottom-[1px] left-0 text-[11px] text-soft whitespace-nowrap"
        />
      )}
    </span>
  );
}

function Sign({ text, className }: { text: string; className: string }) {
  return <span aria-hidden data-sign={text} className={`leading-none before:content-[attr(data-sign)] ${className}`} />;
}
