import { useCallback, useEffect, useId, useRef, useState } from 'react';
import type { FindView } from '../../../api/types';
import { useSettled } from '../../../lib/useSettled';
import { spliced } from './condition';

const FACE = 'font-mono text-[14px] leading-[22px] px-2 py-1.5 whitespace-pre-wrap break-words';

/** The sentence as text: what is read can be typed. A mistake is underlined, with what could stand there. */
export function Typed({ text, view, onChange }: { text: string; view: FindView; onChange: (text: string) => void }) {
  const [draft, setDraft] = useState(text);
  const field = useRef<HTMLTextAreaElement>(null);
  const id = useId();
  // What was changed by the buttons stands here too; what is being typed stays as it is.
  const sent = useRef(text);
  useEffect(() => {
    if (text !== sent.current) {
      sent.current = text;
      setDraft(text);
    }
  }, [text]);
  const settled = useSettled(draft, 350);
  const send = useCallback(
    (typed: string) => {
      if (typed === sent.current) return;
      sent.current = typed;
      onChange(typed);
    },
    [onChange],
  );
  useEffect(() => {
    if (settled === draft) send(settled);
  }, [settled, draft, send]);
  const mistake = view.mistake && view.text === draft ? view.mistake : undefined;
  const put = (words: string) => {
    if (!mistake) return;
    const before = draft.slice(0, mistake.start);
    const by = `${before && !/[\s(]$/.test(before) ? ' ' : ''}${words}`;
    setDraft(`${spliced(draft, mistake.start, mistake.end, by)}${mistake.end >= draft.length ? ' ' : ''}`);
    field.current?.focus();
  };
  return (
    <div className="max-w-[1060px]">
      <label htmlFor={id} className="text-[13px] text-soft">
        As text
      </label>
      <div className="relative border border-line rounded-[3px] bg-paper focus-within:border-act">
        <div aria-hidden className={`absolute inset-0 text-transparent pointer-events-none ${FACE}`}>
          {mistake && (
            <>
              {draft.slice(0, mistake.start)}
              <span className="underline decoration-wavy decoration-danger underline-offset-4">
                {draft.slice(mistake.start, mistake.end) || '   '}
              </span>
            </>
          )}
        </div>
        <textarea
          ref={field}
          id={id}
          rows={1}
          value={draft}
          spellCheck={false}
          maxLength={4000}
          placeholder="tier in Reading in winter is 3 and no running plan in Reading"
          aria-describedby={mistake ? `${id}-wrong` : undefined}
          aria-invalid={mistake ? true : undefined}
          onChange={(e) => setDraft(e.target.value.replace(/\n/g, ' '))}
          // Who goes on at once has meant it too, and finds it here when coming back.
          onBlur={() => send(draft)}
          className={`block w-full border-0! bg-transparent! resize-none relative [field-sizing:content] max-h-64 ${FACE}`}
        />
      </div>
      {mistake && (
        <div className="mt-1">
          <p id={`${id}-wrong`} role="alert" className="m-0 text-danger text-[14.5px]">
            {mistake.sentence}
          </p>
          {mistake.expected.length > 0 && (
            <p className="m-0 mt-1 text-[14px] flex flex-wrap gap-x-4 gap-y-1 items-baseline">
              <span className="text-soft">What could stand there:</span>
              {mistake.expected.slice(0, 40).map((w) => (
                <button
                  key={w}
                  type="button"
                  className="text-act font-semibold hover:underline min-h-[24px]"
                  onClick={() => put(w)}
                >
                  {w}
                </button>
              ))}
            </p>
          )}
        </div>
      )}
    </div>
  );
}
