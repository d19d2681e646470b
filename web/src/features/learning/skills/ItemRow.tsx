import { useState } from 'react';
import type { ItemLine, ItemsView } from '../../../api/types';
import { score } from '../../../lib/format';
import { answerWords, ItemAsked } from '../../../parts/skills/ItemAsked';
import { reasonWords, rightWords, timeWords } from './ItemsPage';
import { Mend } from './Mend';

interface Props {
  line: ItemLine;
  skills: ItemsView['skills'];
  few: boolean;
}

/** One item: marked only for a reason; opened, its answers by thirds and its skills. */
export function ItemRow({ line, skills, few }: Props) {
  const [open, setOpen] = useState(false);
  const own = skills.filter((s) => line.item.skills.includes(s.id));
  return (
    <li className="keep border-t border-hair">
      <div className="grid grid-cols-[1fr_auto] sm:grid-cols-[minmax(0,1fr)_110px_150px_130px] gap-x-4 items-baseline min-h-[32px] py-1 text-[14.5px]">
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="text-left hover:text-act min-w-0"
        >
          <span className="text-soft tabular-nums">{line.label}</span> {line.item.prompt}
          {line.reasons.length > 0 && (
            <span className="block text-plum font-semibold text-[13.5px]">{reasonWords(line)}</span>
          )}
          <span className="block text-soft text-[13px]">{own.map((s) => s.name).join(', ') || 'no skill is told'}</span>
        </button>
        <span className="tabular-nums text-right">{rightWords(line)}</span>
        <span className="tabular-nums text-soft text-right max-sm:hidden">
          {line.itemRest === undefined ? '' : `with the rest ${score(Math.round(100 * line.itemRest) / 100)}`}
        </span>
        <span className="tabular-nums text-soft text-right max-sm:hidden">{timeWords(line)}</span>
      </div>
      {open && (
        <div className="bg-wash px-3 py-2 mb-1.5">
          <ItemAsked item={{ ...line.item, keys: line.item.keys.filter((k) => k.share >= 1) }} />
          <AnswersByThird line={line} few={few} />
          {line.upper !== undefined && line.lower !== undefined && (
            <p className="m-0 text-[13.5px] text-soft">
              Right among the upper 27 % by total: {Math.round(100 * line.upper)} %, among the lower:{' '}
              {Math.round(100 * line.lower)} %.
            </p>
          )}
          <Mend line={line} skills={skills} />
        </div>
      )}
    </li>
  );
}

function AnswersByThird({ line, few }: { line: ItemLine; few: boolean }) {
  return (
    <div className="relative overflow-x-auto">
      <table className="text-[14px] border-collapse my-1">
        <thead>
          <tr className="text-soft text-[13px]">
            <th className="font-normal text-left pr-6">Answered</th>
            <th className="font-normal text-right pr-6">by</th>
            {!few && (
              <>
                <th className="font-normal text-right pr-6">upper third</th>
                <th className="font-normal text-right pr-6">middle</th>
                <th className="font-normal text-right pr-6">lower third</th>
              </>
            )}
            <th className="font-normal text-left">shows</th>
          </tr>
        </thead>
        <tbody>
          {line.answers.map((a) => (
            <tr key={`${a.right} ${a.answer}`} className="border-t border-hair tabular-nums">
              <th className={`text-left pr-6 font-normal ${a.right ? 'text-teal' : 'text-plum'}`}>
                {answerWords(line.item, a.answer) || (a.right ? 'right' : 'left out')}
                {a.right && <span className="sr-only">, right</span>}
              </th>
              <td className="text-right pr-6">{a.n}</td>
              {!few && (
                <>
                  <td className="text-right pr-6">{a.upper}</td>
                  <td className="text-right pr-6">{a.middle}</td>
                  <td className="text-right pr-6">{a.lower}</td>
                </>
              )}
              <td>{a.shows}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
