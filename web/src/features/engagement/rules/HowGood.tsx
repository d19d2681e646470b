import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { PastLook } from '../../../api/types';
import { longDay, percent, plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Failed, Loading } from '../../../ui/States';
import { usePast } from './queries';
import { verdict } from './verdict';

type Fifth = PastLook['fifths'][number];

/** Holds the chances that charts state to what came of them here. */
export function HowGood() {
  const { scope } = useScope();
  const [open, setOpen] = useState(false);
  const past = usePast(scope.who, scope.asOf, open);
  return (
    <section aria-labelledby="how-good" className="mt-8 max-w-[760px]">
      <h2 id="how-good" className="text-[15px] font-semibold m-0">
        How good are these percentages here?
      </h2>
      <p className="text-soft m-0 mb-2">
        Of the goals that a chart gives a chance of 70 %, seven in ten should come to be met. Here that is held to your
        own past: what would have been said of each goal that came due, by the scores of that day, against where the
        trend stood when it was due.
      </p>
      {!open && (
        <Button look="line" onClick={() => setOpen(true)}>
          Hold them to the past
        </Button>
      )}
      <div aria-live="polite">
        {open && past.isPending && <Loading label="Reading last year's goals again ..." />}
        {isLost(past) && <Failed error={past.error} again={() => past.refetch()} />}
        {past.data &&
          (past.data.looks.length === 0 ? (
            <p className="m-0">
              From {past.data.needed} goals on there is something to tell. Since {longDay(past.data.from)}{' '}
              {past.data.goals === 0 ? 'none' : past.data.goals} of those you see{' '}
              {past.data.goals === 1 ? 'has' : 'have'} come due.
            </p>
          ) : (
            <>
              {past.data.looks.map((l) => (
                <After key={l.weeks} look={l} />
              ))}
              <p className="m-0 text-[13px] text-soft">
                Dot: share of the goals that were met. Bar: where that share may truly lie, with so few. Stroke: what
                was said, on average.
              </p>
            </>
          ))}
      </div>
    </section>
  );
}

function After({ look }: { look: PastLook }) {
  return (
    <div className="mb-4">
      <h3 className="text-[14.5px] font-semibold m-0">After {look.weeks} weeks</h3>
      <p className="m-0">
        {verdict(look)}{' '}
        <span className="text-soft">
          {[
            look.changed > 0 && `${plural(look.changed, 'goal')} whose plan was changed later`,
            look.tooSoon > 0 && `${plural(look.tooSoon, 'goal')} too new for a chance`,
          ]
            .filter(Boolean)
            .join(' and ')}
          {look.changed + look.tooSoon > 0 && ' are left out.'}
        </span>
      </p>
      {look.fifths.length > 0 && (
        <table className="border-collapse text-[14px] mt-1 w-full max-w-[560px]">
          <thead>
            <tr className="text-soft text-[12.5px] text-left">
              <th scope="col" className="font-normal pr-4">
                Chance said
              </th>
              <th scope="col" className="font-normal pr-4 max-sm:hidden">
                On average
              </th>
              <th scope="col" className="font-normal pr-4">
                Met
              </th>
              <th scope="col" className="font-normal w-1/2">
                Share met
              </th>
            </tr>
          </thead>
          <tbody>
            {look.fifths.map((f) => (
              <tr key={f.from} className="border-t border-hair">
                <th scope="row" className="font-normal text-left pr-4 whitespace-nowrap">
                  {Math.round(100 * f.from)} to {Math.round(100 * f.to)} %
                </th>
                <td className="pr-4 max-sm:hidden">{percent(f.said)}</td>
                <td className="pr-4 whitespace-nowrap">
                  {f.met} of {f.goals}
                </td>
                <td>
                  <Range of={f} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

function Range({ of }: { of: Fifth }) {
  const x = (share: number) => `${3 + 94 * share}%`;
  return (
    <svg
      width="100%"
      height={22}
      className="block"
      role="img"
      aria-label={`${counted(of.met / of.goals)} met, ${counted(of.low)} to ${counted(of.high)} possible, ${percent(of.said)} said`}
    >
      <line x1={x(0)} x2={x(1)} y1={11} y2={11} stroke="var(--hair)" />
      <line x1={x(of.low)} x2={x(of.high)} y1={11} y2={11} stroke="var(--ink)" strokeWidth={5} strokeOpacity={0.25} />
      <circle cx={x(of.met / of.goals)} cy={11} r={4.5} fill="var(--ink)" />
      <line x1={x(of.said)} x2={x(of.said)} y1={3} y2={19} stroke="var(--act)" strokeWidth={2} />
    </svg>
  );
}

/** A share of what was counted: all is all, which no chance ever is. */
const counted = (share: number) => `${Math.round(100 * share)} %`;
