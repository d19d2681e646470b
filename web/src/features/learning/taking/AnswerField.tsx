import { useEffect, useRef, useState } from 'react';
import type { SheetItem, SheetOption, SheetPicture } from '../../../api/types';
import { moved, paired, pairs, toggled } from './answerParts';

interface Props {
  item: SheetItem;
  answer: string | undefined;
  give: (answer: string | undefined) => void;
  /** After Enter in a field. */
  next: () => void;
}

/** Where an item is answered, by its kind. */
export function AnswerField(props: Props) {
  const { item } = props;
  return (
    <>
      {item.picture && <Shown picture={item.picture} className="max-h-[38vh] mb-4" />}
      {item.kind === 'choice' && <One {...props} />}
      {item.kind === 'choices' && <Several {...props} />}
      {(item.kind === 'text' || item.kind === 'number' || item.kind === 'written') && <Typed {...props} />}
      {item.kind === 'match' && <Match {...props} />}
      {item.kind === 'order' && <Order {...props} />}
    </>
  );
}

function Shown({ picture, className = '' }: { picture: SheetPicture; className?: string }) {
  return (
    <img
      src={`/api/taking/pictures/${picture.id}`}
      alt={picture.words}
      className={`max-w-full rounded-[6px] ${className}`}
    />
  );
}

function Words({ option }: { option: SheetOption }) {
  return (
    <>
      {option.picture && <Shown picture={option.picture} className="max-h-[140px]" />}
      {option.text && <span>{option.text}</span>}
    </>
  );
}

const CARD =
  'flex items-center gap-4 border-2 rounded-[8px] px-4 py-3 text-[22px] cursor-pointer focus-within:outline-2 focus-within:outline-act focus-within:outline-offset-2';

function One({ item, answer, give }: Props) {
  return (
    <fieldset className="border-0 m-0 p-0 grid gap-3">
      <legend className="sr-only">Choose one</legend>
      {item.options.map((o) => (
        <label key={o.id} className={`${CARD} ${same(answer, o.id) ? 'border-act bg-picked' : 'border-stile'}`}>
          <input
            type="radio"
            name={`item-${item.id}`}
            className="w-6 h-6 shrink-0"
            checked={same(answer, o.id)}
            onChange={() => give(o.id.toLowerCase())}
          />
          <Words option={o} />
        </label>
      ))}
    </fieldset>
  );
}

const same = (answer: string | undefined, id: string) => answer?.toLowerCase() === id.toLowerCase();

function Several({ item, answer, give }: Props) {
  const chosen = new Set(answer?.split('|'));
  return (
    <fieldset className="border-0 m-0 p-0 grid gap-3">
      <legend className="text-soft text-[18px] mb-2">You can choose more than one</legend>
      {item.options.map((o) => {
        const id = o.id.toLowerCase();
        return (
          <label key={o.id} className={`${CARD} ${chosen.has(id) ? 'border-act bg-picked' : 'border-stile'}`}>
            <input
              type="checkbox"
              className="w-6 h-6 shrink-0"
              checked={chosen.has(id)}
              onChange={() => give(toggled(answer, id))}
            />
            <Words option={o} />
          </label>
        );
      })}
    </fieldset>
  );
}

const PAUSE = 700;

function Typed({ item, answer, give, next }: Props) {
  const [text, setText] = useState(answer ?? '');
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const last = useRef(answer ?? '');
  const latest = useRef(give);
  latest.current = give;
  const typed = useRef(text);
  typed.current = text;
  const put = () => {
    clearTimeout(timer.current);
    if (typed.current === last.current) return;
    last.current = typed.current;
    latest.current(typed.current.trim() === '' ? undefined : typed.current);
  };
  const putRef = useRef(put);
  putRef.current = put;
  // Who goes on to another page has typed this one.
  useEffect(() => () => putRef.current(), []);
  const props = {
    value: text,
    'aria-labelledby': 'asked',
    maxLength: 500,
    onBlur: put,
    className: 'w-full text-[26px] border-2 border-stile rounded-[8px] px-4 py-3 bg-paper',
    autoComplete: 'off',
    spellCheck: false,
    onChange: (e: { target: { value: string } }) => {
      setText(e.target.value);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => putRef.current(), PAUSE);
    },
  };
  if (item.kind === 'written') {
    return (
      <>
        <textarea {...props} rows={6} />
        {text.length > 400 && <p className="m-0 text-soft text-[17px]">{500 - text.length} letters left</p>}
      </>
    );
  }
  return (
    <input
      {...props}
      type="text"
      inputMode={item.kind === 'number' ? 'decimal' : 'text'}
      onKeyDown={(e) => {
        if (e.key !== 'Enter') return;
        put();
        next();
      }}
    />
  );
}

function Match({ item, answer, give }: Props) {
  const chosen = pairs(answer);
  return (
    <div className="grid gap-4">
      {item.options.map((o) => (
        <fieldset key={o.id} className="border-2 border-line rounded-[8px] m-0 px-4 py-2">
          <legend className="px-2 text-[22px] font-semibold">
            <Words option={o} />
          </legend>
          <div className="flex flex-wrap gap-2">
            {item.targets.map((t) => {
              const on = chosen[o.id.toLowerCase()] === t.id.toLowerCase();
              return (
                <label key={t.id} className={`${CARD} py-1.5! ${on ? 'border-act bg-picked' : 'border-stile'}`}>
                  <input
                    type="radio"
                    name={`pair-${item.id}-${o.id}`}
                    className="w-5 h-5 shrink-0"
                    checked={on}
                    onChange={() => give(paired(answer, o.id, t.id))}
                  />
                  <Words option={t} />
                </label>
              );
            })}
          </div>
        </fieldset>
      ))}
    </div>
  );
}

function Order({ item, answer, give }: Props) {
  const order = answer?.split('|') ?? item.options.map((o) => o.id.toLowerCase());
  const by = new Map(item.options.map((o) => [o.id.toLowerCase(), o]));
  return (
    <>
      <p className="text-soft text-[18px] m-0 mb-2">First at the top. Use the arrows to move a line.</p>
      <ol className="list-none m-0 p-0 grid gap-2">
        {order.map((id, n) => {
          const option = by.get(id);
          return option ? (
            <li key={id} className="flex items-center gap-2 border-2 border-stile rounded-[8px] px-4 py-2 text-[22px]">
              <span className="flex-1 flex items-center gap-4">
                <Words option={option} />
              </span>
              {([-1, 1] as const).map((step) => (
                <button
                  key={step}
                  type="button"
                  disabled={n + step < 0 || n + step >= order.length}
                  aria-label={`Move ${option.text || option.picture?.words} ${step < 0 ? 'up' : 'down'}`}
                  className="border-2 border-line rounded-[6px] w-[46px] h-[42px] disabled:opacity-30"
                  onClick={() => give(moved(order, n, step).join('|'))}
                >
                  {step < 0 ? '↑' : '↓'}
                </button>
              ))}
            </li>
          ) : null;
        })}
      </ol>
      {answer === undefined && (
        <button type="button" className="text-act underline text-[18px] mt-3 p-1" onClick={() => give(order.join('|'))}>
          It is right as it stands
        </button>
      )}
    </>
  );
}
