import { isLost } from '../../../api/lost';
import type { CheckOpen, Item, StudentRef } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { score } from '../../../lib/format';
import { useOwnTitle } from '../../../lib/useTitle';
import { Button } from '../../../ui/Button';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Failed, Loading } from '../../../ui/States';
import { useCheck, useLive } from './queries';
import { answerIn, rightOf } from './words';

/** A check on paper: a copy for each student, and a sheet to mark by. */
export default function PrintPage() {
  const [params] = useAddress();
  const check = useCheck(Number(params.get('check')));
  const given = params.get('given');
  useOwnTitle(check.data?.name);
  return (
    <>
      <SkillsNav />
      {check.isPending && <Loading label="Opening the check ..." />}
      {isLost(check) && <Failed error={check.error} again={() => check.refetch()} />}
      {check.data &&
        (given ? (
          <ForStudents check={check.data} given={Number(given)} />
        ) : (
          <Sheets check={check.data} students={[undefined]} />
        ))}
    </>
  );
}

function ForStudents({ check, given }: { check: CheckOpen; given: number }) {
  const live = useLive(given);
  if (isLost(live)) return <Failed error={live.error} again={() => live.refetch()} />;
  return live.data ? (
    <Sheets check={check} students={live.data.students.map((s) => s.student)} />
  ) : (
    <Loading label="Looking for names ..." />
  );
}

function Sheets({ check, students }: { check: CheckOpen; students: (StudentRef | undefined)[] }) {
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 mb-2 no-print">
        <h1 className="text-[16px] font-semibold m-0">{check.name} on paper</h1>
        <Button look="line" onClick={() => print()}>
          Print {students.length > 1 ? `${students.length} copies and the marking sheet` : 'it with the marking sheet'}
        </Button>
      </div>
      {students.map((s, n) => (
        <article
          key={s?.id ?? 'blank'}
          className={`border border-line p-6 mb-4 max-w-[700px] print:border-0 print:p-0 print:max-w-none print:break-after-page ${n > 0 ? 'hidden print:block' : ''}`}
        >
          <div className="flex flex-wrap justify-between gap-4 text-[15px]">
            <b className="font-semibold">{check.name}</b>
            <span>Name: {s ? s.name : '______________________'}</span>
          </div>
          <ol className="list-decimal pl-7 text-[17px]">
            {check.items.map((i) => (
              <li key={i.id} className="mt-5 print:break-inside-avoid">
                <Asked item={i} />
              </li>
            ))}
          </ol>
        </article>
      ))}
      <article
        className="border border-line p-6 max-w-[700px] print:border-0 print:p-0 print:max-w-none text-[15px]"
        aria-label="Marking sheet"
      >
        <h2 className="text-[17px] font-semibold m-0">Marking sheet: {check.name}</h2>
        <table className="border-collapse w-full mt-2">
          <thead>
            <tr className="text-left text-soft">
              <th className="font-normal pr-3">Item</th>
              <th className="font-normal pr-3">Right</th>
              <th className="font-normal pr-3">Points</th>
              <th className="font-normal">What other answers show</th>
            </tr>
          </thead>
          <tbody>
            {check.items.map((i, n) => (
              <tr key={i.id} className="border-t border-line align-top">
                <td className="pr-3">{n + 1}</td>
                <td className="pr-3">
                  {i.kind === 'written'
                    ? 'as you find it'
                    : i.keys
                        .filter((k) => k.share >= 1)
                        .map((k) => answerIn(i, k.answer))
                        .join(' or ') || rightOf(i)}
                </td>
                <td className="pr-3">{score(i.possible)}</td>
                <td>
                  {i.keys
                    .filter((k) => k.shows)
                    .map((k) => `${answerIn(i, k.answer)}: ${k.shows}`)
                    .join('; ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </article>
    </>
  );
}

/** As it stands on paper, with room to answer. */
function Asked({ item: i }: { item: Item }) {
  const shown = i.kind === 'order' ? [...i.body.options].sort((a, b) => a.text.localeCompare(b.text)) : i.body.options;
  return (
    <>
      <p className="m-0 whitespace-pre-line">{i.prompt}</p>
      {i.body.picture !== undefined && (
        <img src={`/api/bank/pictures/${i.body.picture}`} alt="" className="max-h-[220px] my-2" />
      )}
      {i.kind === 'text' || i.kind === 'number' ? <p className="m-0 mt-3">______________________</p> : null}
      {i.kind === 'written' && <div className="h-[120px] border-b border-line" />}
      {i.kind === 'choices' && <p className="m-0 text-soft text-[14px]">There can be more than one.</p>}
      {i.kind === 'order' && <p className="m-0 text-soft text-[14px]">Write 1, 2, 3 before them.</p>}
      <ul className="list-none m-0 mt-1 p-0">
        {shown.map((o) => (
          <li key={o.id} className="flex gap-3 items-center mt-1">
            <span>{i.kind === 'order' ? '____' : o.id}</span>
            {o.picture !== undefined && <img src={`/api/bank/pictures/${o.picture}`} alt="" className="max-h-[90px]" />}
            <span>{o.text}</span>
            {i.kind === 'match' && <span>____</span>}
          </li>
        ))}
      </ul>
      {i.kind === 'match' && (
        <p className="m-0 mt-2">
          {i.body.targets.map((t) => (
            <span key={t.id} className="mr-5">
              {t.id} {t.text}
            </span>
          ))}
        </p>
      )}
    </>
  );
}
