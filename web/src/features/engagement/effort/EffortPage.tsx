import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { EffortPoint, EffortView } from '../../../api/types';
import { useDrawnWidth } from '../../../charts/useDrawnWidth';
import { plural, score, shortDay, signed } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { EngagementNav } from '../../../ui/EngagementNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { useEffort } from './queries';

const BY: Record<EffortView['by'], { name: string; unit: string }> = {
  minutes: { name: 'minutes a week', unit: 'minutes a week' },
  actions: { name: 'actions a week', unit: 'actions a week' },
  'work-done': { name: 'work handed in', unit: '% of the work that was due' },
  'days-absent': { name: 'days absent', unit: 'days absent this year' },
};
/** What to do first in each of the four fields. */
const FIELDS: Record<EffortPoint['field'], string> = {
  'little-low': 'Get them going',
  'much-low': 'Teach it another way',
  'little-high': 'Ask for more',
  'much-high': 'Tell them well done',
};
const ABSENT: Record<EffortPoint['field'], string> = {
  ...FIELDS,
  'little-low': 'Get them here',
  'little-high': 'Ask what keeps them',
};

export default function EffortPage() {
  const { scope } = useScope();
  const [by, setBy] = useState<EffortView['by']>('minutes');
  const effort = useEffort(scope, by);
  return (
    <>
      <EngagementNav />
      <div className="flex flex-wrap items-baseline gap-x-4 mb-1">
        <h1 className="text-[16px] font-semibold m-0">Effort and score{effort.data && `: ${effort.data.measure}`}</h1>
        {(Object.keys(BY) as EffortView['by'][]).map((b) => (
          <Toggle key={b} on={b === by} onClick={() => setBy(b)}>
            {BY[b].name}
          </Toggle>
        ))}
      </div>
      {effort.isPending && <Loading label="Putting the two together ..." />}
      {isLost(effort) && <Failed error={effort.error} again={() => effort.refetch()} />}
      {effort.data && <Whole view={effort.data} />}
    </>
  );
}

function Whole({ view }: { view: EffortView }) {
  const { nameOf } = useNames();
  const { link } = useScope();
  const picks = usePicks();
  if (view.points.length === 0) {
    return (
      <Empty title="Nothing to put together yet">
        This wants students with a score in {view.measure} this year and something on record of{' '}
        {view.by === 'days-absent' ? 'their attendance' : 'what they did'}. Files of either come in under{' '}
        <Link to={link('/records')}>Records</Link>.
      </Empty>
    );
  }
  const names = view.by === 'days-absent' ? ABSENT : FIELDS;
  const t = view.together;
  return (
    <>
      <p className="m-0 mb-2 max-w-[760px] text-[14px]">
        {t ? (
          <>
            Rank correlation <b className="font-semibold">{signed(Math.round(100 * t.rho) / 100)}</b> (
            {signed(Math.round(100 * t.low) / 100)} to {signed(Math.round(100 * t.high) / 100)}), n = {t.n}.{' '}
            <span className="text-soft">
              {t.low > 0 || t.high < 0
                ? 'The two go together here; this does not say that one makes the other.'
                : 'Nothing can be said of the two together.'}
            </span>
          </>
        ) : (
          <span className="text-soft">
            {view.points.length < 10
              ? `${plural(view.points.length, 'student')}: too few to say whether the two go together.`
              : 'One of the two is the same for everybody.'}
          </span>
        )}
      </p>
      <div className="grid lg:grid-cols-[minmax(0,640px)_1fr] gap-x-10 gap-y-4">
        <Scatter view={view} names={names} />
        <div className="text-[14px]">
          {(Object.keys(FIELDS) as EffortPoint['field'][]).map((f) => {
            const those = view.points.filter((p) => p.field === f);
            return (
              <section key={f} aria-label={names[f]} className="border-t border-hair py-1.5">
                <h2 className="text-[14.5px] font-semibold m-0 inline">{names[f]}</h2>{' '}
                <Button
                  onClick={() => picks.toggleAll(those.map((p) => p.student))}
                  disabled={those.length === 0}
                  className="py-0! no-print"
                >
                  {those.length}, pick them
                </Button>
                <p className="m-0 text-soft">{those.map((p) => nameOf(p.student)).join(', ')}</p>
              </section>
            );
          })}
          {view.noScore.length > 0 && (
            <p className="m-0 border-t border-hair py-1.5">
              <b className="font-semibold">No score this year: {view.noScore.length}.</b>{' '}
              <span className="text-soft">{view.noScore.map(nameOf).join(', ')}</span>
            </p>
          )}
          {view.noEffort.length > 0 && (
            <p className="m-0 border-t border-hair py-1.5">
              <b className="font-semibold">Nothing on record: {view.noEffort.length}.</b>{' '}
              <span className="text-soft">{view.noEffort.map(nameOf).join(', ')}</span>
            </p>
          )}
        </div>
      </div>
    </>
  );
}

/** Round numbers up to a top, four to seven of them. */
function steps(top: number): number[] {
  const rough = top / 5;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((k) => k * power).find((k) => k >= rough) ?? rough;
  return Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => i * step);
}

const DESIGN = 640;
const LEFT = 46;
const BOTTOM = 34;

function Scatter({ view, names }: { view: EffortView; names: Record<EffortPoint['field'], string> }) {
  const { nameOf, initialsOf } = useNames();
  const picks = usePicks();
  const [ref, W] = useDrawnWidth<SVGSVGElement>(DESIGN);
  const H = Math.round(Math.max(0.67 * W, 300));
  const xs = view.points.map((p) => p.effort);
  const ys = view.points.map((p) => p.score);
  const xTop = Math.max(1, ...xs) * 1.06;
  const [yLow, yTop] = [Math.min(...ys), Math.max(...ys)];
  const pad = Math.max(1, 0.08 * (yTop - yLow));
  const absent = view.by === 'days-absent';
  // Much effort lies at the right; fewer days absent are more.
  const x = (v: number) => LEFT + ((absent ? xTop - v : v) / xTop) * (W - LEFT - 8);
  const y = (v: number) => {
    const share = (v - yLow + pad) / (yTop - yLow + 2 * pad);
    return (view.higherIsBetter ? 1 - share : share) * (H - BOTTOM - 6) + 6;
  };
  const corner = (f: EffortPoint['field']) => ({
    x: f.startsWith('much') ? W - 10 : LEFT + 6,
    y: f.endsWith('high') ? 20 : H - BOTTOM - 8,
    anchor: f.startsWith('much') ? ('end' as const) : ('start' as const),
  });
  const ticks = steps(xTop);
  const scores = [yLow, (yLow + yTop) / 2, yTop];
  return (
    <svg
      ref={ref}
      viewBox={`0 0 ${W} ${H}`}
      width={W}
      height={H}
      className="block max-w-full h-auto text-[12.5px]"
      role="group"
      aria-label={`${BY[view.by].unit} beside ${view.measure}`}
    >
      <rect x={LEFT} y={6} width={W - LEFT - 8} height={H - BOTTOM - 6} fill="none" stroke="var(--line)" />
      <line
        x1={x(view.medianEffort)}
        x2={x(view.medianEffort)}
        y1={6}
        y2={H - BOTTOM}
        stroke="var(--stile)"
        strokeDasharray="4 3"
      />
      <line
        x1={LEFT}
        x2={W - 8}
        y1={y(view.medianScore)}
        y2={y(view.medianScore)}
        stroke="var(--stile)"
        strokeDasharray="4 3"
      />
      {(Object.keys(names) as EffortPoint['field'][]).map((f) => {
        const at = corner(f);
        return (
          <text key={f} x={at.x} y={at.y} textAnchor={at.anchor} fill="var(--soft)" fontWeight={650}>
            {names[f]}
          </text>
        );
      })}
      {ticks.map((t) => (
        <text key={t} x={x(t)} y={H - BOTTOM + 15} textAnchor="middle" fill="var(--soft)">
          {t}
        </text>
      ))}
      <text x={W - 8} y={H - 3} textAnchor="end" fill="var(--soft)">
        {BY[view.by].unit}, dashed: the medians
      </text>
      {scores.map((s) => (
        <text key={s} x={LEFT - 6} y={y(s) + 4} textAnchor="end" fill="var(--soft)">
          {score(Math.round(s))}
        </text>
      ))}
      <g aria-hidden className="pointer-events-none">
        {view.points.map((p) => (
          <text key={p.student.id} x={x(p.effort) + 7} y={y(p.score) + 4} fill="var(--ink)" fontSize={11}>
            {initialsOf(p.student)}
          </text>
        ))}
      </g>
      {view.points.map((p) => {
        const on = picks.has(p.student.id);
        const words = `${nameOf(p.student)}: ${Math.round(p.effort)} ${BY[view.by].unit}, ${score(p.score)} on ${shortDay(p.taken)}`;
        return (
          <g
            key={p.student.id}
            role="button"
            tabIndex={0}
            aria-pressed={on}
            aria-label={`Pick ${words}`}
            className="cursor-pointer"
            onClick={() => picks.toggle(p.student)}
            onKeyDown={(e) => {
              if (e.key === 'Enter' || e.key === ' ') {
                e.preventDefault();
                picks.toggle(p.student);
              }
            }}
          >
            <title>{words}</title>
            <circle cx={x(p.effort)} cy={y(p.score)} r={12} fill="transparent" />
            <circle
              cx={x(p.effort)}
              cy={y(p.score)}
              r={4.5}
              fill={on ? 'var(--act)' : p.field.endsWith('low') ? 'var(--plum)' : 'var(--paper)'}
              stroke={on ? 'var(--act)' : p.field.endsWith('low') ? 'var(--plum)' : 'var(--soft)'}
              strokeWidth={1.5}
            />
          </g>
        );
      })}
    </svg>
  );
}
