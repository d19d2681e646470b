import { isLost } from '../../../api/lost';
import type { Worked } from '../../../api/types';
import { longDay, plural, shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { GroupsNav } from '../../../ui/GroupsNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { useWorked } from './queries';

/** A matrix of who worked with whom: who always does, and who never. */
export default function WorkedPage() {
  const { scope } = useScope();
  const worked = useWorked(scope);
  return (
    <>
      <GroupsNav />
      {!worked.data?.met.length && <h1 className="sr-only">Who worked with whom</h1>}
      {worked.isPending && <Loading label="Counting ..." />}
      {isLost(worked) && <Failed error={worked.error} again={() => worked.refetch()} />}
      {worked.data &&
        (worked.data.met.length === 0 ? (
          <Empty title="Nobody has worked with anybody yet">
            Groups that are kept are counted here: who sat with whom, how often, and when last.
          </Empty>
        ) : (
          <Matrix of={worked.data} />
        ))}
    </>
  );
}

function Matrix({ of }: { of: Worked }) {
  const { nameOf, initialsOf } = useNames();
  const picks = usePicks();
  const met = new Map(of.met.map((m) => [`${m.a} ${m.b}`, m]));
  const between = (a: number, b: number) => met.get(a < b ? `${a} ${b}` : `${b} ${a}`);
  const most = Math.max(...of.met.map((m) => m.times));
  const n = of.students.length;
  const pairs = (n * (n - 1)) / 2;
  const often = of.met.filter((m) => m.times === most);
  const names = new Map(of.students.map((s) => [s.id, s]));
  const name = (id: number) => {
    const s = names.get(id);
    return s ? nameOf(s) : '';
  };
  return (
    <>
      <h1 className="text-[16px] font-semibold m-0">
        {pairs - of.met.length} of {plural(pairs, 'pair')} have never worked together
      </h1>
      <p className="m-0 mb-3 text-soft text-[14px]">
        Since {longDay(of.since)}, in {plural(of.arrangements, 'kept set', 'kept sets')} of groups.
        {most > 1 &&
          ` Most often, ${most} times: ${often
            .slice(0, 4)
            .map((m) => `${name(m.a)} and ${name(m.b)}`)
            .join('; ')}${often.length > 4 ? ` and ${often.length - 4} pairs more` : ''}.`}
      </p>
      <div className="relative overflow-x-auto">
        <table className="border-collapse text-[13.5px]">
          <thead>
            <tr>
              <td />
              {of.students.map((s) => (
                <th key={s.id} title={nameOf(s)} className="font-normal text-soft w-[30px] pb-1 align-bottom">
                  {initialsOf(s)}
                </th>
              ))}
              <th className="font-normal text-soft text-right pl-3">never with</th>
            </tr>
          </thead>
          <tbody>
            {of.students.map((row) => {
              const never = of.students.filter((s) => s.id !== row.id && !between(row.id, s.id));
              return (
                <tr key={row.id}>
                  <th className="text-left font-normal pr-3 whitespace-nowrap">{nameOf(row)}</th>
                  {of.students.map((s) => {
                    const m = row.id === s.id ? undefined : between(row.id, s.id);
                    return (
                      <td
                        key={s.id}
                        title={
                          row.id === s.id
                            ? undefined
                            : `${nameOf(row)} and ${nameOf(s)}: ${m ? `${plural(m.times, 'time')}, last on ${shortDay(m.last)}` : 'never'}`
                        }
                        className="border border-hair text-center h-[26px] tabular-nums"
                        style={
                          m
                            ? {
                                background: `color-mix(in srgb, var(--act) ${Math.round((34 * m.times) / most)}%, transparent)`,
                              }
                            : row.id === s.id
                              ? { background: 'var(--wash)' }
                              : undefined
                        }
                      >
                        {m?.times ?? ''}
                      </td>
                    );
                  })}
                  <td className="text-right pl-3">
                    <button
                      type="button"
                      className="hover:text-act hover:underline tabular-nums min-w-[24px] min-h-[24px]"
                      aria-label={`${never.length}: pick those with whom ${nameOf(row)} never worked`}
                      onClick={() => picks.toggleAll(never)}
                    >
                      {never.length}
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </>
  );
}
