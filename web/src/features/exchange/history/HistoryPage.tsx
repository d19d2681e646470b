import { useInfiniteQuery } from '@tanstack/react-query';
import { useContext, useState } from 'react';
import { api, data } from '../../../api/client';
import { isLost } from '../../../api/lost';
import type { HistoryKind, HistoryRow } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { ScopeContext, whoWords } from '../../../lib/scope';
import { useSettled } from '../../../lib/useSettled';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { DayField } from '../../../ui/DayField';
import { Field } from '../../../ui/Field';
import { RecordsNav } from '../../../ui/RecordsNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { Erasures } from './Erasures';
import { Leavers } from './Leavers';

const KINDS: Record<HistoryKind, string> = {
  look: 'Looks',
  export: 'Taken out',
  print: 'Printed',
  import: 'Brought in',
  rights: 'Rights',
  'sign-in': 'Sign-ins',
  refused: 'Refused',
  erased: 'Erased',
};
const CHOICES = { all: 'Everything', ...KINDS };
const DONE: Record<HistoryKind, string> = {
  look: 'Looked at',
  export: 'Took out',
  print: 'Printed',
  import: 'Brought in',
  rights: 'Rights:',
  'sign-in': '',
  refused: 'Refused:',
  erased: '',
};

/** Who looked at whose records, for administrators to search: the newest first, a hundred at a time. */
export default function HistoryPage() {
  const [kind, setKind] = useState<HistoryKind | 'all'>('all');
  const [words, setWords] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const meant = useSettled(words.trim(), 250);
  const found = useInfiniteQuery({
    queryKey: ['history', kind, meant, from, to],
    queryFn: ({ pageParam }) =>
      data(
        api.GET('/api/history', {
          params: {
            query: {
              kind: kind === 'all' ? undefined : kind,
              words: meant || undefined,
              from: from || undefined,
              to: to || undefined,
              before: pageParam?.id,
              beforeAt: pageParam?.at,
            },
          },
        }),
      ),
    initialPageParam: undefined as HistoryRow | undefined,
    getNextPageParam: (last) => (last.more ? last.rows[last.rows.length - 1] : undefined),
    // What has just been done is to be found at once.
    staleTime: 0,
  });
  const rows = found.data?.pages.flatMap((p) => p.rows) ?? [];
  return (
    <>
      <RecordsNav />
      <Erasures />
      <Leavers />
      <h1 className="text-[15px] font-semibold m-0">Who looked at what</h1>
      <p className="text-soft mt-0.5 mb-3 max-w-3xl">
        Every look at a student&apos;s record, every file and print, every sign-in and change of rights. The same look
        within a minute stands here once. Nothing here can be changed.
      </p>
      <div className="no-print flex flex-wrap items-end gap-x-4 gap-y-2 mb-4">
        <Field label="What">
          <Choice value={kind} options={CHOICES} onChange={setKind} />
        </Field>
        <Field label="Person or student">
          <input
            value={words}
            maxLength={100}
            placeholder="a name, or a code"
            onChange={(e) => setWords(e.target.value)}
            className="w-56"
          />
        </Field>
        <Field label="From">
          <DayField value={from} onChange={setFrom} />
        </Field>
        <Field label="To">
          <DayField value={to} onChange={setTo} />
        </Field>
      </div>
      {found.isPending && <Loading label="Searching ..." />}
      {isLost(found) && <Failed error={found.error} again={() => found.refetch()} />}
      {found.data && rows.length === 0 && (
        <Empty title="Nothing of the kind is on record">Choose other days, another name, or everything.</Empty>
      )}
      {rows.length > 0 && (
        <>
          <table className="stacks border-collapse text-[14px] w-full max-w-5xl">
            <thead>
              <tr className="text-left text-soft text-[12.5px]">
                {['When', 'Who', 'What', 'Whose records', 'From'].map((h) => (
                  <th key={h} className="font-medium pb-1 pr-6 border-b border-line whitespace-nowrap">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Line key={row.id} row={row} />
              ))}
            </tbody>
          </table>
          {found.hasNextPage && (
            <Button className="mt-3" onClick={() => found.fetchNextPage()} disabled={found.isFetchingNextPage}>
              Earlier ones
            </Button>
          )}
        </>
      )}
    </>
  );
}

function Line({ row }: { row: HistoryRow }) {
  const scope = useContext(ScopeContext);
  const { hidden } = useNames();
  const where = row.about && scope ? whoWords(row.about, scope.choices) : row.about;
  const what = [
    `${DONE[row.kind]} ${row.kind === 'sign-in' || row.kind === 'erased' ? sentence(row.what) : row.what}`.trim(),
    where,
  ];
  const cell = 'border-b border-hair pr-6 py-1 align-top';
  return (
    <tr>
      <td className={`${cell} whitespace-nowrap tabular-nums`}>{moment(row.at)}</td>
      <td className={`${cell} whitespace-nowrap`}>
        {row.by?.name ?? (row.address ? 'Not signed in' : 'At the machine')}
      </td>
      <td className={cell}>
        {what.filter(Boolean).join(', ')}
        {row.person && (row.kind === 'rights' || row.kind === 'refused') && `, of ${row.person.name}`}
      </td>
      <td data-label="Whose records" className={cell}>
        {row.student && (hidden ? row.student.code : row.student.name)}
        {row.students !== undefined && plural(row.students, 'student')}
      </td>
      <td data-label="From" className={`${cell} whitespace-nowrap text-soft`}>
        {row.address}
      </td>
    </tr>
  );
}

const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

function moment(at: string): string {
  const time = new Date(at);
  const two = (n: number) => String(n).padStart(2, '0');
  const day = `${time.getFullYear()}-${two(time.getMonth() + 1)}-${two(time.getDate())}`;
  return `${longDay(day)}, ${two(time.getHours())}:${two(time.getMinutes())}`;
}
