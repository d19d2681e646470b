import { isLost } from '../../../api/lost';
import type { PieceColumn, PieceView } from '../../../api/types';
import { counted, longDay, plural, score, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Failed, Loading } from '../../../ui/States';
import { usePiece } from './queries';
import type { Looking } from './useLooking';

type Result = PieceView['results'][number];

interface Props {
  id: number;
  looking: Looking;
  onClose: () => void;
  onChange?: (piece: PieceColumn) => void;
}

/** One piece of work: how the points lie, and the work behind each. */
export function PiecePanel({ id, looking, onClose, onChange }: Props) {
  const { scope } = useScope();
  const view = usePiece(scope, id, looking);
  const p = view.data?.piece;
  return (
    <Dialog open onClose={onClose} size="wide" title={p?.title ?? 'A piece of work'}>
      {view.isPending && <Loading label="Opening the work ..." />}
      {isLost(view) && <Failed error={view.error} again={() => view.refetch()} />}
      {view.data && p && (
        <>
          <p className="m-0 text-[14px] text-soft">
            {[p.ofName, p.subject, p.kind, `due ${longDay(p.due)}`, `${score(p.possible)} points`, p.skill]
              .filter(Boolean)
              .join(', ')}
            .{' '}
            {p.link && (
              <a href={p.link} target="_blank" rel="noreferrer">
                The work itself
              </a>
            )}{' '}
            {onChange && p.mayChange && (
              <Button className="py-0!" onClick={() => onChange(p)}>
                Change it
              </Button>
            )}
          </p>
          <p className="m-0 mb-3 text-[14px]">
            {p.in} of {p.of} handed in, {p.toMark} to mark, {p.missing} not in.
          </p>
          <div className="grid lg:grid-cols-[340px_1fr] gap-x-8 gap-y-4">
            <Lie view={view.data} />
            <Results view={view.data} />
          </div>
        </>
      )}
    </Dialog>
  );
}

/** How many earned what: bars by tenths of the points, and the five numbers. */
function Lie({ view }: { view: PieceView }) {
  const most = Math.max(1, ...view.bins);
  const [least, lower, median, upper, top] = view.five;
  const n = view.bins.reduce((a, b) => a + b, 0);
  if (least === undefined || lower === undefined || median === undefined || upper === undefined || top === undefined) {
    return <p className="m-0 text-soft text-[14px]">{plural(n, 'result')} marked: too few to show how they lie.</p>;
  }
  return (
    <figure className="m-0">
      <svg viewBox="0 0 320 150" role="img" aria-label="How many earned what share of the points" className="w-full">
        {view.bins.map((count, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: tenths
          <g key={i}>
            <rect
              x={i * 32 + 1}
              y={112 - (96 * count) / most}
              width={30}
              height={(96 * count) / most}
              className="fill-stile"
            />
            {count > 0 && (
              <text x={i * 32 + 16} y={108 - (96 * count) / most} textAnchor="middle" className="fill-ink text-[12px]">
                {count}
              </text>
            )}
          </g>
        ))}
        <line x1={0} x2={320} y1={112.5} y2={112.5} className="stroke-line" />
        {[0, 5, 10].map((i) => (
          <text
            key={i}
            x={i === 0 ? 0 : i * 32}
            y={127}
            textAnchor={i === 0 ? 'start' : i === 10 ? 'end' : 'middle'}
            className="fill-soft text-[12px]"
          >
            {10 * i} %
          </text>
        ))}
        <line x1={320 * least} x2={320 * Math.min(1, top)} y1={140} y2={140} className="stroke-soft" />
        <rect
          x={320 * lower}
          y={135}
          width={Math.max(1, 320 * (Math.min(1, upper) - lower))}
          height={10}
          className="fill-wash stroke-soft"
        />
        <line x1={320 * median} x2={320 * median} y1={133} y2={147} className="stroke-ink" strokeWidth={2.5} />
      </svg>
      <figcaption className="text-[13.5px] text-soft">
        {n} marked. Half earned {counted(median)} or less, the middle half from {counted(lower)} to {counted(upper)},
        the least {counted(least)}, the most {counted(top)}.
      </figcaption>
    </figure>
  );
}

const WORDS: Record<Result['state'], string> = {
  'to-come': 'to come',
  'in-progress': 'begun',
  'handed-in': 'to mark',
  marked: '',
  missing: 'not in',
  excused: 'excused',
};

function Results({ view }: { view: PieceView }) {
  const { nameOf } = useNames();
  const picks = usePicks();
  const rows = [...view.results].sort(
    (a, b) => Number(b.state === 'missing') - Number(a.state === 'missing') || (a.points ?? 1e9) - (b.points ?? 1e9),
  );
  const out = rows.filter((r) => r.state === 'missing').map((r) => r.student);
  return (
    <div>
      {out.length > 0 && (
        <Button onClick={() => picks.toggleAll(out)} className="py-0! mb-1">
          Pick the {out.length} who did not hand it in
        </Button>
      )}
      <table className="border-collapse text-[14px] w-full">
        <thead>
          <tr className="text-left text-soft text-[12.5px]">
            <th className="font-medium border-b border-line">Student</th>
            <th className="font-medium border-b border-line text-right pr-4">Points</th>
            <th className="font-medium border-b border-line">The work behind it</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.student.id}>
              <th scope="row" className="text-left font-normal border-b border-hair py-1 pr-3">
                {nameOf(r.student)}
              </th>
              <td className="border-b border-hair text-right pr-4 whitespace-nowrap">
                {r.points !== undefined ? (
                  score(Math.round(100 * r.points) / 100)
                ) : (
                  <span className={r.state === 'missing' ? 'text-plum font-semibold' : 'text-soft'}>
                    {WORDS[r.state]}
                  </span>
                )}
              </td>
              <td className="border-b border-hair text-[13.5px]">
                {r.reason}
                {r.attempts.map((a) => (
                  <span key={a.number} className="block">
                    {r.attempts.length > 1 && `Attempt ${a.number}: `}
                    {shortDay(a.on)}
                    {a.points !== undefined &&
                      r.attempts.length > 1 &&
                      `, ${score(a.points)} of ${score(a.possible ?? view.piece.possible)}`}
                    {a.seconds !== undefined && `, ${Math.max(1, Math.round(a.seconds / 60))} minutes`}
                    {a.link && (
                      <>
                        ,{' '}
                        <a href={a.link} target="_blank" rel="noreferrer">
                          open
                        </a>
                      </>
                    )}
                  </span>
                ))}
                {r.late && <span className="text-soft">late</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
