import type { UseQueryResult } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Problem } from '../../../api/client';
import { isLost } from '../../../api/lost';
import type { BankItem, CheckOpen, ChecksView, Item, SkillsView } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { plural, score } from '../../../lib/format';
import { newKey } from '../../../lib/newKey';
import { useScope } from '../../../lib/scope';
import { useOwnTitle } from '../../../lib/useTitle';
import { ItemAsked } from '../../../parts/skills/ItemAsked';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Field } from '../../../ui/Field';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { useSkills } from '../skills/queries';
import { spread } from './build';
import { useBank, useCheck, useChecks, useSaveCheck } from './queries';
import { KINDS } from './words';

const USUAL = 10;

/** Skills are chosen, items of the bank are taken, and the check stands. */
export default function BuildPage() {
  const { scope } = useScope();
  const [params] = useAddress();
  const id = params.get('check') ? Number(params.get('check')) : undefined;
  const framework = params.get('framework') ? Number(params.get('framework')) : undefined;
  const skill = params.get('skill') ? Number(params.get('skill')) : undefined;
  const checks = useChecks(scope);
  const skills = useSkills(scope, framework);
  const check = useCheck(id);
  useOwnTitle(id === undefined ? 'Build a check' : 'Change a check');
  const failed = [checks, skills, check].find((q) => isLost(q as UseQueryResult));
  return (
    <>
      <SkillsNav />
      {failed ? (
        <Failed error={failed.error as Error} again={() => failed.refetch()} />
      ) : checks.data && skills.data && (id === undefined || check.data) ? (
        <Builder
          key={`${id}-${skills.data.framework}`}
          view={checks.data}
          skills={skills.data}
          check={check.data}
          first={skill}
        />
      ) : (
        <Loading label="Opening the bank ..." />
      )}
    </>
  );
}

function Builder({
  view,
  skills,
  check,
  first,
}: {
  view: ChecksView;
  skills: SkillsView;
  check?: CheckOpen;
  first?: number;
}) {
  const { link } = useScope();
  const navigate = useNavigate();
  const [, setParams] = useAddress();
  const copies = check !== undefined && (check.given || !check.mayChange);
  const [key] = useState(newKey);
  const save = useSaveCheck(copies ? undefined : check?.id, key);
  const [chosen, setChosen] = useState<number[]>(first === undefined ? [] : [first]);
  const [words, setWords] = useState('');
  const [items, setItems] = useState<Item[]>(check?.items ?? []);
  const [name, setName] = useState(check ? (copies ? `${check.name}, a copy`.slice(0, 120) : check.name) : '');
  const [shuffle, setShuffle] = useState(check?.shuffle ?? false);
  const [minutes, setMinutes] = useState(check?.minutes === undefined ? '' : `${check.minutes}`);
  const [measure, setMeasure] = useState(check?.measureId === undefined ? '' : `${check.measureId}`);
  const [feeds, setFeeds] = useState<'points' | 'share'>((check?.feeds as 'points' | 'share') ?? 'share');
  const bank = useBank(view.school, chosen.length > 0 ? chosen : undefined, words);
  const names = useMemo(() => new Map(skills.rows.map((r) => [r.id, r.name])), [skills.rows]);
  const problem = save.error as Problem | null;
  const taken = new Set(items.map((i) => i.id));
  const found = bank.data?.items ?? [];
  const has = new Map(bank.data?.bySkill.map((k) => [k.skill, k.items]));
  const usual = name || (chosen.length === 1 ? names.get(chosen[0] as number) : undefined) || '';
  const submit = () =>
    save.mutate(
      {
        school: copies ? view.school : check ? check.schoolId : view.school,
        name: name || usual,
        items: items.map((i) => i.id),
        shuffle,
        minutes: minutes ? Number(minutes) : undefined,
        measureId: measure ? Number(measure) : undefined,
        feeds: measure ? feeds : undefined,
      },
      { onSuccess: () => navigate(link('/skills/checks')) },
    );
  const move = (at: number, by: -1 | 1) => {
    const next = [...items];
    const [it] = next.splice(at, 1);
    if (it) next.splice(at + by, 0, it);
    setItems(next);
  };
  return (
    <>
      <h1 className="text-[16px] font-semibold m-0 mb-2">
        {check ? (copies ? `A copy of ${check.name}` : `Change ${check.name}`) : 'Build a check'}
      </h1>
      <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_minmax(320px,420px)] gap-x-8 gap-y-4">
        <div>
          <div className="flex flex-wrap gap-3 items-end mb-2">
            {skills.frameworks.length > 1 && (
              <Field label="Framework">
                <Choice
                  value={String(skills.framework)}
                  options={Object.fromEntries(skills.frameworks.map((f) => [`${f.id}`, f.name]))}
                  onChange={(f) =>
                    setParams((now) => {
                      const next = new URLSearchParams(now);
                      next.set('framework', f);
                      return next;
                    })
                  }
                />
              </Field>
            )}
            <Field label="Skill">
              <Choice
                value=""
                options={{
                  '': 'add a skill ...',
                  ...Object.fromEntries(
                    skills.rows
                      .filter((r) => !chosen.includes(r.id) && has.has(r.id))
                      .map((r) => [
                        `${r.id}`,
                        `${r.name}: ${plural(has.get(r.id) ?? 0, 'item')}${r.taught ? ', taught now' : ''}`,
                      ]),
                  ),
                }}
                onChange={(s) => s && setChosen([...chosen, Number(s)])}
              />
            </Field>
            <Field label="Words in the question">
              <input type="search" value={words} onChange={(e) => setWords(e.target.value)} className="w-44" />
            </Field>
          </div>
          {chosen.length > 0 && (
            <ul
              aria-label="Skills chosen"
              className="list-none m-0 mb-2 p-0 flex flex-wrap gap-x-3 gap-y-1 text-[14px]"
            >
              {chosen.map((s) => (
                <li key={s}>
                  {names.get(s) ?? 'A skill of another framework'}{' '}
                  <Button aria-label={`Drop ${names.get(s)}`} onClick={() => setChosen(chosen.filter((c) => c !== s))}>
                    Drop
                  </Button>
                </li>
              ))}
            </ul>
          )}
          {isLost(bank) && <Failed error={bank.error} again={() => bank.refetch()} />}
          {bank.data && (
            <>
              <div className="flex flex-wrap items-baseline gap-x-4 mb-1">
                <h2 className="text-[15px] font-semibold m-0">
                  {bank.data.more ? `More than ${found.length} items` : plural(found.length, 'item')} in the bank
                </h2>
                {found.some((f) => !taken.has(f.item.id)) && items.length < USUAL && (
                  <Button
                    look="line"
                    onClick={() =>
                      setItems(
                        spread(
                          items,
                          found.map((f) => f.item),
                          USUAL,
                        ),
                      )
                    }
                  >
                    {items.length === 0 ? `Take ${Math.min(USUAL, found.length)} of them` : `Fill up to ${USUAL}`}
                  </Button>
                )}
              </div>
              {found.length === 0 ? (
                <Empty title="None fits">Drop a skill or a word, or type an item in the bank first.</Empty>
              ) : (
                <ul className="list-none m-0 p-0 max-lg:max-h-[50vh] max-lg:overflow-auto">
                  {found.map((f) => (
                    <Offer
                      key={f.item.id}
                      offer={f}
                      names={names}
                      on={taken.has(f.item.id)}
                      toggle={() =>
                        setItems(taken.has(f.item.id) ? items.filter((i) => i.id !== f.item.id) : [...items, f.item])
                      }
                    />
                  ))}
                </ul>
              )}
            </>
          )}
        </div>
        <form
          aria-label="The check"
          className="flex flex-col gap-3 lg:sticky lg:top-2 self-start w-full"
          onSubmit={(e) => {
            e.preventDefault();
            submit();
          }}
        >
          <Field label="Name of the check" error={problem?.field === 'name' ? problem.message : undefined}>
            <input maxLength={120} value={name} placeholder={usual} onChange={(e) => setName(e.target.value)} />
          </Field>
          <section aria-label="Its items">
            <p className="m-0 text-[14px] font-semibold">
              {plural(items.length, 'item')}, {score(items.reduce((sum, i) => sum + i.possible, 0))} points
              {items.length > 0 && items.length < USUAL && (
                <span className="text-soft font-normal">; ten are usual</span>
              )}
            </p>
            <ol className="list-none m-0 p-0">
              {items.map((i, n) => (
                <li key={i.id} className="border-t border-hair py-1 flex gap-2 items-baseline text-[14px]">
                  <span className="text-soft w-5 text-right">{n + 1}</span>
                  <span className="flex-1 min-w-0 truncate" title={i.prompt}>
                    {i.prompt}
                  </span>
                  <Button disabled={n === 0} aria-label={`Move item ${n + 1} up`} onClick={() => move(n, -1)}>
                    Up
                  </Button>
                  <Button
                    disabled={n === items.length - 1}
                    aria-label={`Move item ${n + 1} down`}
                    onClick={() => move(n, 1)}
                  >
                    Down
                  </Button>
                  <Button
                    aria-label={`Drop item ${n + 1}`}
                    onClick={() => setItems(items.filter((x) => x.id !== i.id))}
                  >
                    Drop
                  </Button>
                </li>
              ))}
            </ol>
          </section>
          <label className="flex gap-2 items-center text-[14px]">
            <input type="checkbox" checked={shuffle} onChange={(e) => setShuffle(e.target.checked)} /> each student gets
            them in another order
          </label>
          <Field
            label="Minutes (empty: as long as it takes)"
            error={problem?.field === 'minutes' ? problem.message : undefined}
          >
            <input
              inputMode="numeric"
              className="w-20"
              value={minutes}
              onChange={(e) => setMinutes(e.target.value.replace(/\D/g, ''))}
            />
          </Field>
          <Field label="Its result is a score of" error={problem?.field === 'measureId' ? problem.message : undefined}>
            <Choice
              value={measure}
              options={{ '': 'no measure', ...Object.fromEntries(view.measures.map((m) => [`${m.id}`, m.name])) }}
              onChange={setMeasure}
            />
          </Field>
          {measure && (
            <Field label="As">
              <Choice
                value={feeds}
                options={{ share: 'share of the points, 0 to 100', points: 'points' }}
                onChange={setFeeds}
              />
            </Field>
          )}
          {problem && !['name', 'minutes', 'measureId'].includes(problem.field ?? '') && <Complaint error={problem} />}
          <Button
            type="submit"
            look="solid"
            className="self-start"
            disabled={save.isPending || items.length === 0 || !(name || usual)}
          >
            {save.isPending ? 'Saving ...' : 'Save the check'}
          </Button>
        </form>
      </div>
    </>
  );
}

function Offer({
  offer: f,
  names,
  on,
  toggle,
}: {
  offer: BankItem;
  names: Map<number, string>;
  on: boolean;
  toggle: () => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <li className={`border-t border-hair py-1 text-[14px] ${on ? 'bg-picked' : ''}`}>
      <div className="flex gap-2 items-baseline">
        <label className="flex gap-2 items-baseline flex-1 min-w-0">
          <input type="checkbox" checked={on} onChange={toggle} />
          <span className="truncate">{f.item.prompt}</span>
        </label>
        <Button
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          aria-label={`${open ? 'Close' : 'Look at'} ${f.item.prompt}`}
        >
          {open ? 'Close' : 'Look'}
        </Button>
      </div>
      <p className="m-0 ml-6 text-soft text-[13px]">
        {KINDS[f.item.kind]}
        {f.item.skills.some((s) => names.has(s)) &&
          `, ${f.item.skills
            .map((s) => names.get(s))
            .filter(Boolean)
            .join('; ')}`}
        {f.answered > 0 && `, answered by ${f.answered}`}
      </p>
      {open && (
        <div className="ml-6 my-1 border-l-2 border-line pl-3">
          <ItemAsked item={f.item} />
        </div>
      )}
    </li>
  );
}
