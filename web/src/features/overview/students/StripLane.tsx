import { type ReactNode, useState } from 'react';
import type { StudentPage } from '../../../api/types';
import { useDrawnWidth } from '../../../charts/useDrawnWidth';
import { dayNumber } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { ContactsBehind, PlansBehind } from './Behind';
import { OpenButton } from './OpenButton';
import { OpenLane } from './OpenLane';
import { useLane } from './queries';
import type { Strip } from './strips';
import { LEFT, RIGHT, type X, YearBands } from './YearBands';

const WIDTH = 860;

/** Lanes whose detail is on the page already; that of the others is read when they are opened. */
const HERE: Record<string, (page: StudentPage) => ReactNode> = {
  plans: (page) => <PlansBehind page={page} />,
  'contacts-strip': (page) => <ContactsBehind page={page} />,
};

/** One lane of them, on the time axis that the lanes of scores share. */
export function StripLane({ page, strip }: { page: StudentPage; strip: Strip }) {
  const { key, title, words, height } = strip;
  const { scope } = useScope();
  const here = HERE[key];
  // What is done and what was decided is what the page is looked at for.
  const [open, setOpen] = useState(key === 'plans');
  const detail = useLane(page.student.id, key, scope.asOf, open && !here);
  const [ref, width] = useDrawnWidth<SVGSVGElement>(WIDTH);
  const first = dayNumber(page.from);
  const last = dayNumber(page.to);
  const x: X = (day) => LEFT + ((dayNumber(day) - first) / Math.max(1, last - first)) * (width - LEFT - RIGHT);
  return (
    <section aria-labelledby={`lane-${key}`}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 id={`lane-${key}`} className="text-[15px] font-semibold m-0" tabIndex={-1}>
          {title}
        </h2>
        <span className="text-soft text-[13px]">{words}</span>
        <span className="ml-auto no-print">
          <OpenButton title={title} open={open} onOpen={setOpen} />
        </span>
      </div>
      <svg
        ref={ref}
        width="100%"
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${title}: ${words}`}
        className="block max-w-full"
      >
        <YearBands strips={page.strips} x={x} height={height} />
        {strip.marks(x)}
      </svg>
      {open && (here ? here(page) : <OpenLane lane={detail} title={title} />)}
    </section>
  );
}
