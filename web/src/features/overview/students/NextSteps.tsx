import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { NextStep, StudentPage } from '../../../api/types';
import { useScope } from '../../../lib/scope';
import { GoalDialog } from '../../../parts/goals/GoalDialog';
import { Button } from '../../../ui/Button';

const NoteDialog = lazy(() => import('../../../parts/contacts/NoteDialog').then((m) => ({ default: m.NoteDialog })));

/** The two or three things that fit now, each with its reason. Nothing where nothing does. */
export function NextSteps({ page }: { page: StudentPage }) {
  const { live, link } = useScope();
  const [acting, setActing] = useState<NextStep>();
  if (!live || page.next.length === 0) return null;
  const card = page.lanes.find((l) => l.measure.id === acting?.measure)?.card;
  return (
    <section aria-labelledby="next-steps" className="no-print border-t border-hair pt-2 mb-3">
      <h2 id="next-steps" className="text-[13px] text-soft font-normal m-0">
        What fits now
      </h2>
      <ul className="list-none m-0 p-0 text-[14px]">
        {page.next.map((s) => (
          <li key={`${s.kind}-${s.measure}`} className="py-1">
            {s.kind === 'SET_GOAL' || s.kind === 'CALL_HOME' ? (
              <Button className="px-0!" onClick={() => setActing(s)}>
                {s.words}
              </Button>
            ) : (
              <Link
                className="text-act font-semibold text-[13.5px] no-underline hover:underline"
                to={
                  s.kind === 'DECIDE'
                    ? link('/trends', {
                        open: String(page.student.id),
                        measure: String(s.measure),
                        who: `class-${page.classId}`,
                      })
                    : link('/entry', { measure: String(s.measure), who: `class-${page.classId}` })
                }
              >
                {s.words}
              </Link>
            )}
            <span className="block text-soft text-[13px] leading-snug">{s.because}</span>
          </li>
        ))}
      </ul>
      {acting?.kind === 'SET_GOAL' && card && (
        <GoalDialog card={card} title={`A goal in ${card.measure.name}`} onClose={() => setActing(undefined)} />
      )}
      {acting?.kind === 'CALL_HOME' && (
        <Suspense fallback={null}>
          <NoteDialog students={[page.student]} onClose={() => setActing(undefined)} />
        </Suspense>
      )}
    </section>
  );
}
