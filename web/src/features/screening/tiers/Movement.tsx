import type { TiersView } from '../../../api/types';
import { usePicks } from '../../../lib/picks';

/** Movement since the window before, both ways; each part picks its students. */
export function Movement({ view }: { view: TiersView }) {
  const picks = usePicks();
  if (!view.before || view.flows.length === 0) return null;
  const refs = new Map(view.rows.map((r) => [r.student.id, r.student]));
  const pick = (ids: number[]) => picks.toggleAll(ids.map((id) => refs.get(id)).filter((s) => s !== undefined));
  const less = view.flows.filter((f) => f.to < f.from);
  const more = view.flows.filter((f) => f.to > f.from);
  const same = view.flows.filter((f) => f.to === f.from);
  const count = (flows: TiersView['flows']) => flows.reduce((n, f) => n + f.students.length, 0);
  const group = (flows: TiersView['flows'], words: string) => (
    <span className="sm:whitespace-nowrap">
      <button
        type="button"
        className="text-act font-semibold hover:underline disabled:text-soft disabled:no-underline"
        disabled={flows.length === 0}
        onClick={() => pick(flows.flatMap((f) => f.students))}
      >
        {count(flows)} {words}
      </button>
      {flows.length > 0 && (
        <span className="text-soft text-[13px]">
          {' ('}
          {flows.map((f, i) => (
            <span key={`${f.from}-${f.to}`}>
              {i > 0 && ', '}
              <button
                type="button"
                className="hover:underline hover:text-act"
                aria-label={`Pick the ${f.students.length} from ${f.from} to ${f.to}`}
                onClick={() => pick(f.students)}
              >
                {f.students.length} from {f.from} to {f.to}
              </button>
            </span>
          ))}
          )
        </span>
      )}
    </span>
  );
  return (
    <p className="m-0 mb-2 text-[14px] flex flex-wrap gap-x-4">
      <span className="text-soft">Since {view.before.toLowerCase()}:</span>
      {group(less, 'to less support')}
      {group(more, 'to more support')}
      <span className="text-soft">{count(same)} stay where they were</span>
    </p>
  );
}
