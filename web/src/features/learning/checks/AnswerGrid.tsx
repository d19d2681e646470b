import { type KeyboardEvent, useRef, useState } from 'react';
import type { Item, LiveCheck, Sitter } from '../../../api/types';
import { score } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useUnsaved } from '../../../lib/unsaved';
import { typedAnswer, writtenAnswer } from './gridKeys';
import { useTypeAnswer } from './queries';
import { answerIn, rightOf } from './words';

interface Own {
  answer?: string;
  points?: number;
}

/**
 * Students down, items across. Where answers may be typed, one key is an answer: a letter for a choice; 1 and 0 for right and wrong where words were asked for; Enter
 * opens the cell to write. Arrows move. What was typed stands there at once, and is pale until it is on record.
 */
export function AnswerGrid({ live }: { live: LiveCheck }) {
  const { nameOf: name } = useNames();
  const type = useTypeAnswer(live.given.id);
  const [typed, setTyped] = useState<Record<string, Own & { state: 'saving' | 'refused'; words?: string }>>({});
  const [at, setAt] = useState<[number, number]>([0, 0]);
  const [writing, setWriting] = useState<string>();
  const grid = useRef<HTMLTableElement>(null);
  useUnsaved(() => Object.keys(typed).length > 0);
  const items = live.check.items;
  const write = live.mayWrite && live.given.state !== 'coming';
  const put = (s: Sitter, item: Item, own: Own) => {
    const key = `${s.student.id}-${item.id}`;
    setTyped((all) => ({ ...all, [key]: { ...own, state: 'saving' } }));
    type.mutate(
      { student: s.student.id, item: item.id, ...own },
      {
        onSuccess: () =>
          setTyped((all) => {
            const now = all[key];
            if (!now || now.answer !== own.answer || now.points !== own.points) return all;
            const { [key]: _, ...rest } = all;
            return rest;
          }),
        onError: (e) =>
          setTyped((all) => ({ ...all, [key]: { ...own, state: 'refused', words: (e as Error).message } })),
      },
    );
  };
  const move = (row: number, col: number) => {
    const r = Math.max(0, Math.min(live.students.length - 1, row));
    const c = Math.max(0, Math.min(items.length - 1, col));
    setAt([r, c]);
    grid.current?.querySelector<HTMLElement>(`[data-cell="${r}-${c}"]`)?.focus();
  };
  const keys = (e: KeyboardEvent, row: number, col: number) => {
    const steps: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
    };
    const step = steps[e.key];
    if (step) {
      e.preventDefault();
      move(row + step[0], col + step[1]);
      return;
    }
    if (!write || e.ctrlKey || e.metaKey || e.altKey) return;
    const s = live.students[row] as Sitter;
    const item = items[col] as Item;
    if (e.key === 'Enter') {
      e.preventDefault();
      setWriting(`${row}-${col}`);
      return;
    }
    const own = typedAnswer(item, e.key);
    if (own === undefined) return;
    e.preventDefault();
    put(s, item, own);
    // On to the next item, and from the last to the next student.
    if (own.answer !== undefined || own.points !== undefined) {
      if (col + 1 < items.length) move(row, col + 1);
      else move(row + 1, 0);
    }
  };
  const refused = Object.values(typed).find((t) => t.state === 'refused');
  return (
    <>
      {write && live.given.onPaper && (
        <p className="m-0 mb-1 text-[14px] text-soft no-print">
          Type along the row: a letter for a choice, 1 or 0 for right or wrong elsewhere; Enter to write what was
          written, Delete to empty.
        </p>
      )}
      {refused && (
        <p role="alert" className="m-0 text-danger text-[14px]">
          {refused.words}
        </p>
      )}
      <div className="relative overflow-x-auto max-w-full">
        <table ref={grid} className="text-[14px] border-collapse">
          <caption className="sr-only">Answers, a row a student and a column an item</caption>
          <thead>
            <tr>
              <th scope="col" className="text-left font-normal text-soft pr-3 sticky left-0 bg-paper">
                Student
              </th>
              {items.map((i, n) => (
                <th key={i.id} scope="col" className="font-normal text-soft px-1.5 min-w-[44px]" title={i.prompt}>
                  {n + 1}
                  <span className="block text-teal text-[12.5px] max-w-[70px] truncate">{answerIn(i, rightOf(i))}</span>
                </th>
              ))}
              <th scope="col" className="font-normal text-soft px-2 text-right">
                Points
              </th>
            </tr>
          </thead>
          <tbody>
            {live.students.map((s, row) => (
              <tr key={s.student.id} className="border-t border-hair">
                <th scope="row" className="text-left font-normal pr-3 whitespace-nowrap sticky left-0 bg-paper">
                  {name(s.student)}
                  <span className="text-soft text-[12.5px] ml-2">
                    {s.state === 'done' ? 'done' : s.state === 'begun' ? 'at it' : ''}
                    {s.note && <span title={s.note}>, no score yet: {s.note}</span>}
                  </span>
                </th>
                {s.cells.map((cell, col) => {
                  const item = items[col] as Item;
                  const mine = typed[`${s.student.id}-${item.id}`];
                  const answer = mine ? mine.answer : cell.answer;
                  const points = mine ? mine.points : cell.points;
                  const key = `${row}-${col}`;
                  return (
                    <td key={item.id} className="p-0 text-center">
                      {writing === key ? (
                        <Writing
                          answer={answer === undefined ? '' : answerIn(item, answer)}
                          label={`Answer of ${name(s.student)} to item ${col + 1}`}
                          done={(text, on) => {
                            setWriting(undefined);
                            if (text !== undefined) {
                              const written = writtenAnswer(item, text);
                              if (written !== answer) put(s, item, { answer: written });
                            }
                            move(row, on ? col + 1 : col);
                          }}
                        />
                      ) : (
                        <button
                          type="button"
                          data-cell={key}
                          tabIndex={at[0] === row && at[1] === col ? 0 : -1}
                          onFocus={() => setAt([row, col])}
                          onKeyDown={(e) => keys(e, row, col)}
                          onDoubleClick={() => write && setWriting(key)}
                          aria-label={`${name(s.student)}, item ${col + 1}: ${cellWords(item, answer, points)}`}
                          title={cell.shows}
                          className={`w-full min-w-[44px] h-[30px] px-1 max-w-[120px] truncate ${typedLook(mine?.state)} ${worthLook(item, points)}`}
                        >
                          {answer === undefined ? (points === undefined ? '–' : score(points)) : answerIn(item, answer)}
                          {answer !== undefined && points === undefined && !mine && ' ?'}
                        </button>
                      )}
                    </td>
                  );
                })}
                <td className="px-2 text-right tabular-nums">{s.state === 'not-begun' ? '' : score(s.points)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** What was typed is pale until it is on record, and waved where it was refused. */
function typedLook(state: 'saving' | 'refused' | undefined): string {
  if (state === undefined) return '';
  return state === 'refused' ? 'text-danger underline decoration-wavy' : 'opacity-50';
}

/** Told by a line as well as by a colour: what was not wholly right is what one looks for. */
function worthLook(item: Item, points: number | undefined): string {
  if (points === undefined) return '';
  if (points >= item.possible) return 'text-teal';
  return points > 0
    ? 'text-ochre underline decoration-dotted underline-offset-4'
    : 'text-plum underline underline-offset-4';
}

function cellWords(item: Item, answer: string | undefined, points: number | undefined): string {
  const said = answer === undefined ? (points === undefined ? 'no answer' : 'left out') : answerIn(item, answer);
  if (points === undefined) return answer === undefined ? said : `${said}, to be decided`;
  return `${said}, ${points >= item.possible ? 'right' : points > 0 ? 'partly right' : 'wrong'}`;
}

function Writing({
  answer,
  label,
  done,
}: {
  answer: string;
  label: string;
  done: (text: string | undefined, on: boolean) => void;
}) {
  const [text, setText] = useState(answer);
  const left = useRef(false);
  const leave = (value: string | undefined, on: boolean) => {
    if (left.current) return;
    left.current = true;
    done(value, on);
  };
  return (
    <input
      autoFocus
      aria-label={label}
      maxLength={500}
      className="w-[110px] h-[30px] px-1"
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={() => leave(text.trim(), false)}
      onKeyDown={(e) => {
        if (e.key === 'Enter') leave(text.trim(), true);
        if (e.key === 'Escape') leave(undefined, false);
      }}
    />
  );
}
