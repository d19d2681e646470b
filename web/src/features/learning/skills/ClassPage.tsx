import { isLost } from '../../../api/lost';
import type { SkillRow, SkillsView } from '../../../api/types';
import { gradeTitle, percent, plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Choice } from '../../../ui/Choice';
import { SkillKey } from '../../../ui/SkillMark';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { NoFramework } from './NoFramework';
import { useSkills } from './queries';
import { SkillLine } from './SkillLine';
import { Tomorrow } from './Tomorrow';
import { type Filters, useFilters } from './useFilters';

export default function ClassPage() {
  const { scope } = useScope();
  const [filters, change] = useFilters();
  const skills = useSkills(scope, filters.framework);
  return (
    <>
      <SkillsNav>
        <SkillKey />
      </SkillsNav>
      {skills.isPending && <Loading label="Gathering what they can do ..." />}
      {isLost(skills) && <Failed error={skills.error} again={() => skills.refetch()} />}
      {skills.data && <Whole view={skills.data} filters={filters} change={change} />}
    </>
  );
}

interface Props {
  view: SkillsView;
  filters: Filters;
  change: (part: Partial<Filters>) => void;
}

function Whole({ view, filters, change }: Props) {
  if (view.framework === undefined) return <NoFramework />;
  const shown = view.rows.filter(
    (r) =>
      (filters.domain === undefined || r.domain === filters.domain) &&
      (!filters.taught || r.taught) &&
      (filters.grade === undefined ||
        view.grade === undefined ||
        (r.grade !== undefined && (filters.grade === 'own' ? r.grade === view.grade : r.grade < view.grade))),
  );
  const known = shown.filter((r) => r.counts.tried > 0);
  const unknown = shown.filter((r) => r.counts.tried === 0);
  const about = filters.skill ?? view.again?.skill;
  const line = (r: SkillRow) => (
    <SkillLine
      key={r.id}
      row={r}
      view={view}
      open={filters.skill === r.id}
      onOpen={() => change({ skill: filters.skill === r.id ? undefined : r.id })}
    />
  );
  return (
    <>
      <Headline view={view} />
      <Narrowing view={view} filters={filters} change={change} />
      <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_250px] gap-x-12">
        <div className="min-w-0">
          <div className="hidden sm:grid grid-cols-[230px_1fr_auto] gap-x-4 text-[12.5px] text-soft border-b border-line pb-1">
            <span>Skill, most secure first</span>
            <span>{view.marks ? 'Each mark is a student' : 'Students by how they stand'}</span>
            <span>secure of who tried</span>
          </div>
          <ul className="list-none m-0 p-0">{known.map(line)}</ul>
          {unknown.length > 0 && (
            <details
              className="border-t border-hair py-1.5 text-[14px]"
              open={unknown.some((r) => r.id === filters.skill)}
            >
              <summary className="cursor-pointer text-soft">
                {known.length > 0
                  ? `${plural(unknown.length, 'skill')} more that nobody here has tried`
                  : 'Nobody here has tried any of these'}
              </summary>
              <ul className="list-none m-0 p-0">{unknown.map(line)}</ul>
            </details>
          )}
          {shown.length === 0 && (
            <p className="text-soft">No skill of the framework is so. Look at all of them again above.</p>
          )}
        </div>
        <aside className="min-w-0 max-lg:border-t max-lg:border-line max-lg:pt-3 max-lg:mt-2">
          {about !== undefined && view.rows.some((r) => r.id === about) && <Tomorrow view={view} skill={about} />}
          <p className="text-soft text-[14px] max-w-[46ch]">
            A skill is secure when it is {percent(view.meaning.sureness)} sure that at least{' '}
            {Math.round(100 * view.meaning.standard)} % of the answers would be right, and not yet when it is that sure
            that fewer would. An answer counts half after {plural(view.meaning.halfLife, 'day')}.
          </p>
        </aside>
      </div>
    </>
  );
}

function Headline({ view }: { view: SkillsView }) {
  const row = view.rows.find((r) => r.id === view.again?.skill);
  if (!view.again || !row) {
    return (
      <h1 className="text-[16px] font-semibold m-0 mb-1">
        {view.rows.some((r) => r.counts.tried > 0)
          ? 'Nothing calls to be taught again'
          : 'No answers are on record yet'}
      </h1>
    );
  }
  return (
    <>
      <h1 className="text-[16px] font-semibold m-0">Teach again: {row.name}</h1>
      <p className="m-0 mb-1 text-soft text-[14.5px]">
        {row.counts.notYet} of {row.counts.tried} who tried it do not have it
        {view.again.taught && ', and it is being taught now'}. {row.counts.secure}{' '}
        {row.counts.secure === 1 ? 'does' : 'do'}
        {view.again.next && `: they can go on to ${view.again.next.name}`}.
      </p>
    </>
  );
}

/** Which framework, and which of its skills. */
function Narrowing({ view, filters, change }: Props) {
  const domains = [...new Set([...view.rows].sort((a, b) => a.id - b.id).map((r) => r.domain))];
  return (
    <div className="no-print flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-2 text-[14px]">
      {view.frameworks.length > 1 && (
        <Choice
          aria-label="Framework"
          value={String(view.framework)}
          options={Object.fromEntries(view.frameworks.map((f) => [`${f.id}`, f.name]))}
          onChange={(f) => change({ framework: Number(f), skill: undefined, domain: undefined })}
        />
      )}
      <select
        aria-label="Domain"
        value={filters.domain ?? ''}
        onChange={(e) => change({ domain: e.target.value || undefined })}
      >
        <option value="">All domains</option>
        {domains.map((d) => (
          <option key={d}>{d}</option>
        ))}
      </select>
      <span className="flex flex-wrap gap-x-3">
        <Toggle on={filters.grade === undefined} onClick={() => change({ grade: undefined })}>
          all grades
        </Toggle>
        {view.grade !== undefined && (
          <>
            <Toggle on={filters.grade === 'own'} onClick={() => change({ grade: 'own' })}>
              {gradeTitle(view.grade).toLowerCase()}
            </Toggle>
            <Toggle on={filters.grade === 'below'} onClick={() => change({ grade: 'below' })}>
              below grade
            </Toggle>
          </>
        )}
      </span>
      {view.marks && (
        <Toggle on={filters.taught} onClick={() => change({ taught: !filters.taught })}>
          taught now ({view.rows.filter((r) => r.taught).length})
        </Toggle>
      )}
    </div>
  );
}
