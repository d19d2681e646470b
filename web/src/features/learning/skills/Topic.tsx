import { useState } from 'react';
import { isLost } from '../../../api/lost';
import { counted, longDay, percent } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { DayField } from '../../../ui/DayField';
import { Failed, Loading } from '../../../ui/States';
import { useTopic } from './queries';
import { Count } from './SideBySide';

/** A skill before, during and after it was taught: of the class and of each student. */
export function Topic({ framework, skill, from: begun }: { framework: number; skill: number; from: string }) {
  const { scope } = useScope();
  const { nameOf } = useNames();
  const [open, setOpen] = useState(false);
  const [from, setFrom] = useState(begun);
  const [to, setTo] = useState(scope.asOf);
  const topic = useTopic(scope, framework, skill, from, to);
  if (!open) {
    return (
      <Button className="no-print" onClick={() => setOpen(true)}>
        Before, during and after
      </Button>
    );
  }
  const t = topic.data;
  return (
    <section aria-label="Before, during and after" className="border-t border-hair mt-2 pt-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px]">
        <h3 className="text-[14px] font-semibold m-0">Taught from</h3>
        <DayField
          label="Taught from"
          value={from}
          max={scope.asOf}
          onChange={(d) => d && setFrom(d)}
          className="w-[130px]"
        />
        <span>to</span>
        <DayField label="Taught to" value={to} max={scope.asOf} onChange={(d) => d && setTo(d)} className="w-[130px]" />
        <Button className="no-print py-0! ml-auto" onClick={() => setOpen(false)}>
          Close
        </Button>
      </div>
      {topic.isPending && <Loading label="Counting ..." height={60} />}
      {isLost(topic) && <Failed error={topic.error} again={() => topic.refetch()} />}
      {t && (
        <>
          <p className="m-0 text-[14px]">
            {t.both === 0 ? (
              <span className="text-soft">
                Nobody has answers both before {longDay(from)} and after {longDay(to)}.
              </span>
            ) : (
              <>
                Of {t.both} with answers before and after, <b className="font-semibold">{t.up} rose to the standard</b>{' '}
                and {t.down} fell below it.{' '}
                <span className="text-soft">
                  {t.chance !== undefined && t.up + t.down > 0
                    ? `Chance alone would be as uneven in ${percent(t.chance)} of such classes.`
                    : ''}
                </span>
              </>
            )}
          </p>
          <div className="relative overflow-x-auto">
            <table className="text-[14px] border-collapse">
              <thead>
                <tr className="text-soft text-[13px]">
                  <th className="font-normal text-left pr-6">Share right</th>
                  <th className="font-normal text-right pr-6">Before</th>
                  <th className="font-normal text-right pr-6">During</th>
                  <th className="font-normal text-right pr-6">After</th>
                </tr>
              </thead>
              <tbody>
                <tr className="border-t border-hair font-semibold">
                  <th className="text-left pr-6">All together</th>
                  <Count side={t.before} />
                  <Count side={t.during} />
                  <Count side={t.after} />
                </tr>
                {t.students
                  .filter((s) => s.nBefore + s.nDuring + s.nAfter > 0)
                  .map((s) => (
                    <tr key={s.student.id} className="border-t border-hair">
                      <th className="text-left font-normal pr-6 whitespace-nowrap">{nameOf(s.student)}</th>
                      <Own share={s.before} n={s.nBefore} />
                      <Own share={s.during} n={s.nDuring} />
                      <Own share={s.after} n={s.nAfter} />
                    </tr>
                  ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </section>
  );
}

function Own({ share, n }: { share: number | undefined; n: number }) {
  return (
    <td className="text-right pr-6 tabular-nums whitespace-nowrap">
      {share === undefined ? '' : counted(share)} {n > 0 && <span className="text-soft text-[13px]">of {n}</span>}
    </td>
  );
}
