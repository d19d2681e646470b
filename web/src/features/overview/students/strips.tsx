import type { ReactNode } from 'react';
import type { Strips, StudentPage } from '../../../api/types';
import { longDay, plural, shortDay } from '../../../lib/format';
import { tierColour } from '../../../ui/TierMark';
import { LEFT, type X } from './YearBands';

/** One kind of what else happened: its lane's key, its title, and what it says in words. */
export interface Strip {
  key: string;
  title: string;
  words: string;
  height: number;
  marks: (x: X) => ReactNode;
}

/** What else is on record: plans, days away, time, contacts, tiers. */
export function stripsOf(page: StudentPage): Strip[] {
  const { strips } = page;
  const all: (Strip | false)[] = [
    (strips.plans.length > 0 || page.decisions.length > 0) && {
      key: 'plans',
      title: 'Plans and decisions',
      words: planWords(strips),
      height: 26,
      marks: (x) => <Plans strips={strips} x={x} />,
    },
    strips.away !== undefined && {
      key: 'days',
      title: 'Days away',
      words: awayWords(strips),
      height: 24,
      marks: (x) => <Days strips={strips} x={x} />,
    },
    strips.weeks.length > 0 && {
      key: 'time',
      title: 'Time',
      words: timeWords(strips),
      height: 38,
      marks: (x) => <Time strips={strips} x={x} />,
    },
    strips.work.length > 0 && {
      key: 'work',
      title: 'Work',
      words: workWords(strips),
      height: 24,
      marks: (x) => <Work strips={strips} x={x} />,
    },
    strips.answered.length > 0 && {
      key: 'skills',
      title: 'Skills',
      words: skillWords(strips),
      height: 38,
      marks: (x) => <Answered strips={strips} x={x} />,
    },
    page.contacts.length > 0 && {
      key: 'contacts-strip',
      title: 'Calls and letters',
      words: contactWords(page),
      height: 24,
      marks: (x) => <Contacts page={page} x={x} />,
    },
    strips.tiers.length > 0 && {
      key: 'tiers',
      title: 'Tiers',
      words: tierWords(strips),
      height: 16 * areas(strips).length + 6,
      marks: (x) => <Tiers strips={strips} x={x} />,
    },
  ];
  return all.filter((s) => s !== false);
}

function Plans({ strips, x }: { strips: Strips; x: X }) {
  return (
    <>
      {strips.plans.map((p) => {
        const from = x(p.from);
        const wide = Math.max(3, x(p.to) - from);
        const words = `${p.strategy} × ${p.perWeek}`;
        return (
          <g key={`${p.measure}-${p.from}`}>
            <rect
              x={from}
              y={3}
              width={wide}
              height={20}
              fill="var(--wash)"
              stroke={p.running ? 'var(--ink)' : 'var(--line)'}
            />
            {wide > words.length * 5.6 + 8 && (
              <text x={from + 4} y={17} fontSize={11} fill="var(--ink)" fontWeight={p.running ? 600 : 400}>
                {words}
              </text>
            )}
            <title>{`${p.measure}: ${words} a week, ${longDay(p.from)} to ${longDay(p.to)}`}</title>
          </g>
        );
      })}
    </>
  );
}

function planWords(strips: Strips): string {
  const running = strips.plans.filter((p) => p.running);
  return running.length > 0
    ? running.map((p) => `${p.strategy} ${p.perWeek} × a week since ${shortDay(p.from)}`).join('; ')
    : 'no plan runs';
}

function Days({ strips, x }: { strips: Strips; x: X }) {
  return (
    <>
      {strips.late.map((d) => (
        <line key={`l${d}`} x1={x(d)} x2={x(d)} y1={15} y2={22} stroke="var(--ochre)" strokeWidth={1.5} />
      ))}
      {(strips.away ?? []).map((d) => (
        <line key={d} x1={x(d)} x2={x(d)} y1={4} y2={22} stroke="var(--plum)" strokeWidth={2} />
      ))}
    </>
  );
}

const within = (day: string, y: Strips['years'][number]) => day >= y.starts && day <= y.ends;

function awayWords(strips: Strips): string {
  // A year of which nothing is on record was not one without a day away.
  const told = strips.years.filter(
    (y, i) => i === strips.years.length - 1 || [...(strips.away ?? []), ...strips.late].some((d) => within(d, y)),
  );
  const counts = told.map((y) => ({
    year: y.name.replace('-', '–'),
    days: (strips.away ?? []).filter((d) => within(d, y)).length,
  }));
  const unit = counts.at(-1)?.days === 1 ? 'day' : 'days';
  return `${counts.map((c) => `${c.year}: ${c.days}`).join(', ')} ${unit}${strips.late.length > 0 ? `; late ${strips.late.length}` : ''}`;
}

function Time({ strips, x }: { strips: Strips; x: X }) {
  const top = Math.max(1, ...strips.weeks.map((w) => w.minutes));
  return (
    <>
      {strips.weeks.map((w) => {
        const high = (w.minutes / top) * 34;
        const wide = Math.max(1.5, x(nextWeek(w.monday)) - x(w.monday) - 1);
        return <rect key={w.monday} x={x(w.monday)} y={36 - high} width={wide} height={high} fill="var(--stile)" />;
      })}
    </>
  );
}

const nextWeek = (monday: string) => new Date(Date.parse(monday) + 7 * 86_400_000).toISOString().slice(0, 10);

function timeWords(strips: Strips): string {
  const newest = strips.weeks.slice(-4);
  const mean = newest.reduce((n, w) => n + w.minutes, 0) / Math.max(1, newest.length);
  return `${Math.round(mean)} minutes a week lately; most ${Math.max(...strips.weeks.map((w) => w.minutes))}`;
}

function Work({ strips, x }: { strips: Strips; x: X }) {
  return (
    <>
      {strips.work.map((w, i) => (
        <line
          // biome-ignore lint/suspicious/noArrayIndexKey: several are due on a day, and they never move
          key={i}
          x1={x(w.due)}
          x2={x(w.due)}
          y1={w.in === false ? 2 : 8}
          y2={20}
          stroke={w.in === undefined ? 'var(--hair)' : w.in ? 'var(--stile)' : 'var(--plum)'}
          strokeWidth={2}
        />
      ))}
    </>
  );
}

function workWords(strips: Strips): string {
  const due = strips.work.filter((w) => w.in !== undefined);
  const missing = due.filter((w) => !w.in).length;
  return `${due.length - missing} of ${plural(due.length, 'piece')} handed in${missing > 0 ? `; long: ${missing} did not come` : ''}`;
}

/** Each day with answers as a mark as high as the share that was right. */
function Answered({ strips, x }: { strips: Strips; x: X }) {
  return (
    <>
      <line x1={LEFT} x2={x(strips.answered.at(-1)?.day ?? '')} y1={36} y2={36} stroke="var(--hair)" />
      {strips.answered.map((a) => (
        <g key={a.day}>
          <line x1={x(a.day)} x2={x(a.day)} y1={36} y2={36 - 32 * a.share} stroke="var(--ink)" strokeWidth={2} />
          <title>{`${longDay(a.day)}: ${plural(a.answers, 'answer')}, ${Math.round(100 * a.share)} % right`}</title>
        </g>
      ))}
    </>
  );
}

function skillWords(strips: Strips): string {
  const answers = strips.answered.reduce((n, a) => n + a.answers, 0);
  const now = strips.skills;
  return `${now ? `secure ${now.secure}, shaky ${now.shaky}, not yet ${now.notYet}; ` : ''}${plural(answers, 'answer')}, as high as the share right`;
}

const WAYS = { call: 'call', talk: 'talk', letter: 'letter', mail: 'mail' } as const;

function Contacts({ page, x }: { page: StudentPage; x: X }) {
  const all = [...page.contacts].filter((c) => c.on >= page.from).sort((a, b) => a.on.localeCompare(b.on));
  let free = -100;
  return (
    <>
      {all.map((c) => {
        const at = x(c.on);
        const says = at > free + 4;
        const words = `${WAYS[c.way]}${c.reached ? '' : ', nobody'}`;
        if (says) free = at + words.length * 6 + 6;
        return (
          <g key={c.id}>
            <line x1={at} x2={at} y1={4} y2={20} stroke={c.reached ? 'var(--ink)' : 'var(--faint)'} strokeWidth={2} />
            {says && (
              <text x={at + 4} y={16} fontSize={11} fill="var(--soft)">
                {words}
              </text>
            )}
            <title>{`${longDay(c.on)}: ${words}`}</title>
          </g>
        );
      })}
    </>
  );
}

function contactWords(page: StudentPage): string {
  const home = page.contacts.filter((c) => c.whom === 'home' && c.reached).length;
  return `${plural(page.contacts.length, 'contact')}, home reached ${home === 1 ? 'once' : `${home} times`}`;
}

const areas = (strips: Strips) => [...new Set(strips.tiers.map((t) => t.area))];

function Tiers({ strips, x }: { strips: Strips; x: X }) {
  return (
    <>
      {areas(strips).map((area, row) => (
        <g key={area}>
          {strips.tiers
            .filter((t) => t.area === area)
            .map((t) => (
              <text
                key={t.from}
                x={Math.max(LEFT, x(t.from))}
                y={16 * row + 14}
                fontSize={12}
                fill={tierColour(t.tier)}
                fontWeight={600}
              >
                {`${area} ${t.tier}`}
              </text>
            ))}
        </g>
      ))}
    </>
  );
}

function tierWords(strips: Strips): string {
  return areas(strips)
    .map(
      (a) =>
        `${a}: ${strips.tiers
          .filter((t) => t.area === a)
          .map((t) => `${t.window.toLowerCase()} ${t.tier}`)
          .join(', ')}`,
    )
    .join('; ');
}
