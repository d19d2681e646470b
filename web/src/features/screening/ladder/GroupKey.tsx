import { usePicks } from '../../../lib/picks';
import { type Group, shapePath } from './groups';

/** What the shapes mean, with how many; each picks its students. */
export function GroupKey({ groups }: { groups: Group[] }) {
  const picks = usePicks();
  if (groups.length === 0) return null;
  return (
    <p className="m-0 mb-1 flex flex-wrap gap-x-4 text-[13px]">
      {groups.map((g) => (
        <button
          key={g.name}
          type="button"
          className="inline-flex items-center gap-1.5 hover:underline"
          onClick={() => picks.toggleAll(g.rows.map((r) => r.student))}
        >
          <svg width={14} height={14} viewBox="-7 -7 14 14" aria-hidden>
            <path d={shapePath(g.shape, 5)} fill="none" stroke="var(--ink)" strokeWidth={1.3} />
          </svg>
          {g.name} <span className="text-soft">{g.rows.length}</span>
        </button>
      ))}
    </p>
  );
}
