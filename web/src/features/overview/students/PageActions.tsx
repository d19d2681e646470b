import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { StudentPage } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope, whoWords } from '../../../lib/scope';
import { Button } from '../../../ui/Button';

const PrintDialog = lazy(() => import('../../../parts/prints/PrintDialog').then((m) => ({ default: m.PrintDialog })));

/** What can be done with the whole page: on paper, beside another time, picked. */
export function PageActions({ page }: { page: StudentPage }) {
  const { link, scope, choices } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  const [printing, setPrinting] = useState<'home' | 'meeting'>();
  const one = `students-${page.student.id}`;
  const whose = [
    { of: one, words: nameOf(page.student) },
    ...(picks.all.length > 1
      ? [
          {
            of: `students-${picks.all.map((s) => s.id).join(',')}`,
            words: `The ${plural(picks.all.length, 'picked student')}, each on pages of their own`,
          },
        ]
      : []),
    ...(/^(class|group|table|caseload|list)-/.test(scope.who)
      ? [{ of: scope.who, words: `Everybody in ${whoWords(scope.who, choices)}, each on pages of their own` }]
      : []),
  ];
  return (
    <div className="mb-3 no-print flex flex-wrap gap-x-4 gap-y-0.5">
      <Button onClick={() => setPrinting('home')}>Print for home</Button>
      <Button onClick={() => setPrinting('meeting')}>Print for the meeting</Button>
      <Link
        to={link('/compare', { a: one, b: one })}
        className="text-act font-semibold text-[13.5px] no-underline hover:underline py-1"
      >
        Compare two times
      </Link>
      <Button onClick={() => picks.toggle(page.student)}>
        {picks.has(page.student.id) ? 'Drop from the picked' : 'Pick'}
      </Button>
      {printing && (
        <Suspense fallback={null}>
          <PrintDialog
            first={printing}
            whose={whose}
            school={choices.classes.find((c) => c.id === page.classId)?.schoolId ?? choices.classes[0]?.schoolId}
            onClose={() => setPrinting(undefined)}
          />
        </Suspense>
      )}
    </div>
  );
}
