import { Link } from 'react-router';
import type { SkillDetail } from '../../../api/types';
import { shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { answerWords } from '../../../parts/skills/ItemAsked';
import { SkillMark, STATES } from '../../../ui/SkillMark';

interface Props {
  detail: SkillDetail;
  students: SkillDetail['students'];
  /** The item that is shown as it was asked. */
  asked: number | undefined;
  onAsk: (item: number) => void;
}

/** A short prompt names its column itself. */
function heading(i: SkillDetail['items'][number]): string {
  const plain = i.item.prompt.replace(/\s*=\s*$/, '').replaceAll(' - ', '−');
  return plain.length <= 11 ? plain : i.label;
}

/** The newest answers of students beside each other, item by item: wrong ones strong, in words where a choice has words. */
export function AnswerTable({ detail, students, asked, onAsk }: Props) {
  const { nameOf } = useNames();
  const { link } = useScope();
  const picks = usePicks();
  const answers = new Map(detail.answers.map((a) => [`${a.student} ${a.item}`, a]));
  return (
    <section className="relative overflow-x-auto my-1" aria-label="Answers, item by item">
      <table className="text-[13.5px] border-collapse">
        <thead>
          <tr>
            <th className="text-left font-normal text-soft pr-4 sticky left-0 bg-wash">Newest answers</th>
            {detail.items.map((i) => (
              <th key={i.item.id} className="text-right pl-5 align-bottom">
                <button
                  type="button"
                  aria-expanded={asked === i.item.id}
                  onClick={() => onAsk(i.item.id)}
                  title={i.item.prompt}
                  className={`font-semibold whitespace-nowrap min-h-[24px] border-b ${asked === i.item.id ? 'border-act text-act' : 'border-hair hover:text-act'}`}
                >
                  {heading(i)}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {students.map((s) => (
            <tr key={s.student.id} className={`h-[27px] ${picks.has(s.student.id) ? 'bg-picked' : ''}`}>
              <th
                className={`text-left font-normal pr-4 whitespace-nowrap sticky left-0 ${picks.has(s.student.id) ? 'bg-picked' : 'bg-wash'}`}
              >
                <input
                  type="checkbox"
                  aria-label={`Pick ${nameOf(s.student)}`}
                  checked={picks.has(s.student.id)}
                  onChange={() => picks.toggle(s.student)}
                  className="no-print mr-2 align-middle"
                />
                <SkillMark state={s.state} />
                <span className="sr-only">{STATES[s.state]}: </span>{' '}
                <Link
                  to={link('/skills/students', { student: String(s.student.id) })}
                  className="text-ink no-underline hover:underline"
                >
                  {nameOf(s.student)}
                </Link>
              </th>
              {detail.items.map((i) => {
                const a = answers.get(`${s.student.id} ${i.item.id}`);
                return (
                  <td
                    key={i.item.id}
                    title={a && `${shortDay(a.day)}${a.shows ? `: ${a.shows}` : ''}`}
                    className={`text-right pl-5 tabular-nums whitespace-nowrap max-w-[140px] truncate ${
                      a?.share === undefined ? 'text-soft' : a.share >= 1 ? 'text-teal' : 'text-plum font-semibold'
                    }`}
                  >
                    {a && <Given answer={answerWords(i.item, a.answer)} share={a.share} />}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Given({ answer, share }: { answer: string; share: number | undefined }) {
  if (share === undefined) return <>{answer || '?'} (to be marked)</>;
  return (
    <>
      {answer || (share >= 1 ? 'right' : share > 0 ? 'partly' : 'left out')}
      <span className="sr-only">{share >= 1 ? ', right' : share > 0 ? ', partly right' : ', wrong'}</span>
    </>
  );
}
