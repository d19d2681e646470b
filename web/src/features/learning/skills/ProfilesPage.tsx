import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { ProfilesView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { plural, signed } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Failed, Loading } from '../../../ui/States';
import { Advice } from './Advice';
import { NoFramework } from './NoFramework';
import { useProfiles } from './queries';

/** Where students are strong and weak against themselves; those of one pattern together, with what is advised. */
export default function ProfilesPage() {
  const { scope } = useScope();
  const [params, setParams] = useAddress();
  const framework = params.get('framework') ? Number(params.get('framework')) : undefined;
  const profiles = useProfiles(scope, framework);
  const choose = (f: string) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      next.set('framework', f);
      return next;
    });
  return (
    <>
      <SkillsNav />
      {profiles.isPending && <Loading label="Putting the profiles together ..." />}
      {isLost(profiles) && <Failed error={profiles.error} again={() => profiles.refetch()} />}
      {profiles.data &&
        (profiles.data.framework === undefined ? <NoFramework /> : <Whole view={profiles.data} choose={choose} />)}
    </>
  );
}

type Mark = ProfilesView['patterns'][number]['marks'][number];

/** A pattern in words. */
function patternWords(marks: Mark[]): string {
  const of = (own: Mark['own']) => marks.filter((m) => m.own === own).map((m) => m.domain);
  const parts = [
    of('weak').length > 0 && `weak in ${of('weak').join(' and ')}`,
    of('strong').length > 0 && `strong in ${of('strong').join(' and ')}`,
  ].filter((p) => p !== false);
  const all = parts.join(', ');
  return all ? all.charAt(0).toUpperCase() + all.slice(1) : 'Much the same everywhere';
}

function Whole({ view, choose }: { view: ProfilesView; choose: (framework: string) => void }) {
  const { nameOf } = useNames();
  const told = view.patterns.filter((p) => p.marks.length > 0);
  const n = told.reduce((sum, p) => sum + p.students.length, 0);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-1">
        <h1 className="text-[16px] font-semibold m-0">
          {n === 0
            ? 'Nobody is told to be strong or weak in one domain'
            : `${plural(n, 'student')} with a strong or a weak domain`}
        </h1>
        {view.frameworks.length > 1 && (
          <Choice
            aria-label="Framework"
            value={String(view.framework)}
            options={Object.fromEntries(view.frameworks.map((f) => [`${f.id}`, f.name]))}
            onChange={choose}
          />
        )}
      </div>
      <p className="text-soft text-[14px] m-0 mb-3 max-w-[820px]">
        Figures say how far a student stands from the mean of the grade, in its standard deviations, by this year's
        answers. <b className="font-semibold text-plum">Weak</b> and <b className="font-semibold text-teal">strong</b>{' '}
        are told against the student's own mean, where the number of answers makes chance unlikely (one in ten). ↑ and ↓
        stand apart from the class.
        {view.unknown.length > 0 && ` Too little is known in the grade of: ${view.unknown.join(', ')}.`}
      </p>
      {view.patterns.map((p) => (
        <Pattern key={patternWords(p.marks)} pattern={p} view={view} />
      ))}
      {view.untold.length > 0 && (
        <p className="text-soft text-[14px]">Too few answers to say: {view.untold.map(nameOf).join(', ')}.</p>
      )}
    </>
  );
}

function Pattern({ pattern, view }: { pattern: ProfilesView['patterns'][number]; view: ProfilesView }) {
  const { nameOf } = useNames();
  const { link } = useScope();
  const picks = usePicks();
  const words = patternWords(pattern.marks);
  const students = pattern.students.map((s) => s.student);
  return (
    <section aria-label={words} className="keep border-t border-line pt-1.5 pb-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[15px] font-semibold m-0">{words}</h2>
        <Button className="py-0! no-print" onClick={() => picks.toggleAll(students)}>
          {plural(students.length, 'student')}, pick {students.length === 1 ? 'this one' : 'them'}
        </Button>
      </div>
      <div className="grid grid-cols-1 xl:grid-cols-[760px_minmax(0,1fr)] gap-x-10 gap-y-2">
        <div className="relative overflow-x-auto">
          <table className="text-[14px] border-collapse table-fixed w-max">
            <thead>
              <tr className="text-soft text-[12.5px]">
                <th className="font-normal text-left pr-4 w-[180px]">Student</th>
                {view.domains.map((d) => (
                  <th key={d} className="font-normal text-right pl-3 w-[96px] leading-tight align-bottom">
                    {d}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {pattern.students.map((s) => (
                <tr
                  key={s.student.id}
                  className={`h-[27px] border-t border-hair ${picks.has(s.student.id) ? 'bg-picked' : ''}`}
                >
                  <th className="text-left font-normal pr-4 whitespace-nowrap">
                    <input
                      type="checkbox"
                      aria-label={`Pick ${nameOf(s.student)}`}
                      checked={picks.has(s.student.id)}
                      onChange={() => picks.toggle(s.student)}
                      className="no-print mr-2 align-middle"
                    />
                    <Link
                      to={link('/skills/students', {
                        student: String(s.student.id),
                        framework: String(view.framework),
                      })}
                      className="text-ink no-underline hover:underline"
                    >
                      {nameOf(s.student)}
                    </Link>
                  </th>
                  {s.domains.map((d) => (
                    <Standing key={d.domain} of={d} />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {pattern.marks.length > 0 && <Advice pattern={pattern} view={view} />}
      </div>
    </section>
  );
}

function Standing({ of }: { of: ProfilesView['patterns'][number]['students'][number]['domains'][number] }) {
  if (of.z === undefined) return <td className="text-right pl-3 text-soft">too few</td>;
  const look =
    of.own === 'weak' ? 'text-plum font-semibold' : of.own === 'strong' ? 'text-teal font-semibold' : 'text-ink';
  return (
    <td
      className={`text-right pl-3 tabular-nums whitespace-nowrap ${look}`}
      title={`${Math.round(100 * (of.right ?? 0))} % of ${of.answers} answers right`}
    >
      {of.own !== 'like' && <span className="text-[12px]">{of.own} </span>}
      {signed(Math.round(10 * of.z) / 10)}
      <span aria-hidden className="inline-block w-[12px] text-soft font-normal">
        {of.ofClass > 0 ? '↑' : of.ofClass < 0 ? '↓' : ''}
      </span>
      {of.ofClass !== 0 && (
        <span className="sr-only">{of.ofClass > 0 ? ', above the class' : ', below the class'}</span>
      )}
    </td>
  );
}
