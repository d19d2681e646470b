import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, data } from '../../../api/client';
import type { StudentRef } from '../../../api/types';
import { useLetters } from '../../../lib/letters';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';

/** The student before and after: of those picked, or else of the scope. J goes on, K goes back. */
export function Steps({ student }: { student: StudentRef }) {
  const { scope, link } = useScope();
  const { nameOf } = useNames();
  const picks = usePicks();
  const go = useNavigate();
  const picked = picks.all.length > 1 && picks.has(student.id);
  const { who, asOf } = scope;
  const all = useQuery({
    queryKey: ['records', 'steps', who, asOf],
    queryFn: () =>
      data(
        api.POST('/api/find', {
          body: { text: '', who, asOf, columns: 'class', descending: false, cannotTell: false, from: 0, rows: 1000 },
        }),
      ),
    enabled: !picked,
  });
  const list = picked ? picks.all : (all.data?.rows.map((r) => r.student) ?? []);
  const at = list.findIndex((s) => s.id === student.id);
  const before = at > 0 ? list[at - 1] : undefined;
  const after = at >= 0 ? list[at + 1] : undefined;
  const open = (s: StudentRef | undefined) => () => {
    if (s) go(link(`/students/${s.id}`));
  };
  useLetters({ j: open(after), k: open(before) });
  const step = (s: StudentRef | undefined, key: string, words: string) =>
    s && (
      <Link to={link(`/students/${s.id}`)} className="text-act no-underline hover:underline" title={nameOf(s)}>
        {words} <kbd className="font-sans text-[12px] border border-line rounded px-1">{key}</kbd>
      </Link>
    );
  return (
    <p className="no-print m-0 mb-1 text-[13px] flex flex-wrap gap-x-4 min-h-[24px] items-center">
      {step(before, 'K', 'Before')}
      {step(after, 'J', 'After')}
      {at >= 0 && (
        <span className="text-soft">
          {at + 1} of {list.length}
          {picked ? ' picked' : ''}
        </span>
      )}
    </p>
  );
}
