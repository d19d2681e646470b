import { longDay, monthName } from '../../../lib/format';
import { type Mark, months } from './months';

const DAYS = Array.from({ length: 31 }, (_, i) => i + 1);

const WORDS: Record<Mark, string> = {
  o: 'school',
  w: 'no school day of the week',
  h: 'holiday',
  c: 'closed',
  b: 'between terms',
};

/** A mark that is told apart without its colour, too. */
function Cell({ mark, now }: { mark: Mark; now: boolean }) {
  const look: Record<Mark, string> = {
    o: 'border border-stile',
    w: '',
    h: 'bg-wash border border-hair text-ochre',
    c: 'bg-plum text-(--on-mark) border border-plum',
    b: 'text-faint',
  };
  const sign: Record<Mark, string> = { o: '', w: '', h: '–', c: '×', b: '·' };
  return (
    <span
      className={`grid place-items-center w-full h-[20px] overflow-hidden text-[11px] sm:text-[13px] leading-none ${look[mark]} ${now ? 'outline-2 outline-act outline-offset-1' : ''}`}
    >
      {sign[mark]}
    </span>
  );
}

interface Props {
  starts: string;
  days: string;
  today: string;
  /** A day was chosen; undefined where the viewer only looks. */
  onDay?: (iso: string) => void;
}

/** A school year, a row a month, a column a day. */
export function YearGrid({ starts, days, today, onDay }: Props) {
  const all = months(starts, days);
  return (
    <div>
      <table className="table-fixed border-separate border-spacing-x-px sm:border-spacing-x-[2px] border-spacing-y-[3px] text-[13px] w-full">
        <caption className="sr-only">School days by month</caption>
        <thead>
          <tr className="text-soft text-[11.5px]">
            <th className="w-[34px] sm:w-[48px]">
              <span className="sr-only">Month</span>
            </th>
            {DAYS.map((d) => (
              <th
                key={d}
                aria-hidden
                className={`font-normal text-center p-0 ${d > 1 && d % 10 !== 0 ? 'invisible sm:visible' : ''}`}
              >
                {d === 1 || d % 5 === 0 ? d : ''}
              </th>
            ))}
            <th className="font-medium text-right w-[34px] sm:w-[44px]">days</th>
          </tr>
        </thead>
        <tbody>
          {all.map((m) => (
            <tr key={m.first}>
              <th scope="row" className="text-left font-medium whitespace-nowrap">
                {monthName(m.first).replace(/ \d+$/, '')}
              </th>
              {m.days.map((d, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a day of the month
                <td key={i} aria-hidden className="p-0" title={d ? `${longDay(d.iso)}: ${WORDS[d.mark]}` : undefined}>
                  {d && (
                    // biome-ignore lint/a11y/noStaticElementInteractions lint/a11y/useKeyWithClickEvents: a short way for the pointer to the fields beside it
                    <div onClick={onDay && (() => onDay(d.iso))} className={onDay ? 'cursor-pointer' : ''}>
                      <Cell mark={d.mark} now={d.iso === today} />
                    </div>
                  )}
                </td>
              ))}
              <td className="text-right tabular-nums">{m.open}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="m-0 mt-2 p-0 list-none flex flex-wrap gap-x-5 gap-y-1 text-[13px] text-soft">
        {(['o', 'h', 'c', 'b'] as const)
          .filter((m) => m === 'o' || days.includes(m))
          .map((m) => (
            <li key={m} className="flex items-center gap-1.5">
              <span aria-hidden className="w-[14px] sm:w-[20px]">
                <Cell mark={m} now={false} />
              </span>
              {WORDS[m]}
            </li>
          ))}
      </ul>
    </div>
  );
}
