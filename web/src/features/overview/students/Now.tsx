import { Link } from 'react-router';
import type { NowFigure, StudentPage } from '../../../api/types';
import { useScope } from '../../../lib/scope';

/** How the student stands, in figures; each leads to where it comes from. */
export function Now({ page }: { page: StudentPage }) {
  return (
    <p className="m-0 mb-3 text-[14.5px] leading-[1.45]">
      <b className="font-semibold">Now.</b>{' '}
      {page.now.map((f) => (
        <span key={`${f.to}-${f.measure}-${f.figure}`}>
          {f.before}
          <Figure figure={f} page={page} />
          {f.after}{' '}
        </span>
      ))}
    </p>
  );
}

const LANES: Partial<Record<NowFigure['to'], string>> = {
  PLANS: 'lane-plans',
  DAYS: 'lane-days',
  TIME: 'lane-time',
  CONTACTS: 'contacts',
  TIERS: 'lane-tiers',
};

const LOOK = 'font-semibold text-ink underline decoration-faint underline-offset-2 hover:text-act hover:decoration-act';

function Figure({ figure, page }: { figure: NowFigure; page: StudentPage }) {
  const { link } = useScope();
  if (figure.to === 'SKILLS') {
    return (
      <Link to={link('/skills/students', { student: String(page.student.id) })} className={LOOK}>
        {figure.figure}
      </Link>
    );
  }
  const id = figure.to === 'TREND' ? `lane-measure-${figure.measure}` : LANES[figure.to];
  return (
    <button
      type="button"
      className={LOOK}
      onClick={() => {
        // A lane that is not shown can be chosen there.
        const there = document.getElementById(id ?? '') ?? document.getElementById('choose-lanes');
        there?.scrollIntoView({ block: 'start' });
        there?.focus({ preventScroll: true });
      }}
    >
      {figure.figure}
    </button>
  );
}
