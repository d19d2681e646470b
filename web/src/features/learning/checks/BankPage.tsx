import type { UseQueryResult } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { BankItem } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { useSettled } from '../../../lib/useSettled';
import { useOwnTitle } from '../../../lib/useTitle';
import { ItemAsked } from '../../../parts/skills/ItemAsked';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { useSkills } from '../skills/queries';
import { ItemDialog } from './ItemDialog';
import { PackageDialog } from './PackageDialog';
import { useBank, useChecks, useEndItem } from './queries';
import { KINDS } from './words';

/** The school's own bank: items that can be asked here. */
export default function BankPage() {
  const { scope, link } = useScope();
  const checks = useChecks(scope);
  const skills = useSkills(scope, undefined);
  const [words, setWords] = useState('');
  const [skill, setSkill] = useState('');
  const asked = useSettled(words, 250);
  const bank = useBank(checks.data?.school, skill ? [Number(skill)] : undefined, asked);
  const [editing, setEditing] = useState<BankItem | 'new'>();
  const [bringing, setBringing] = useState(false);
  useOwnTitle('Bank of items');
  const names = new Map(skills.data?.rows.map((r) => [r.id, r.name]));
  const failed = [checks, skills, bank].find((q) => isLost(q as UseQueryResult));
  return (
    <>
      <SkillsNav>
        <Link to={link('/skills/checks')}>Checks</Link>
      </SkillsNav>
      {failed ? (
        <Failed error={failed.error as Error} again={() => failed.refetch()} />
      ) : !bank.data || !skills.data || !checks.data ? (
        <Loading label="Opening the bank ..." />
      ) : (
        <>
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 mb-2">
            <h1 className="text-[16px] font-semibold m-0">
              {bank.data.more ? `More than ${bank.data.items.length} items` : plural(bank.data.items.length, 'item')}
              {(skill || asked) && (bank.data.items.length === 1 ? ' that fits' : ' that fit')}
            </h1>
            <input
              type="search"
              aria-label="Words in the question"
              placeholder="words in the question"
              value={words}
              onChange={(e) => setWords(e.target.value)}
            />
            <Choice
              aria-label="Skill"
              value={skill}
              options={{ '': 'every skill', ...Object.fromEntries(skills.data.rows.map((r) => [`${r.id}`, r.name])) }}
              onChange={setSkill}
            />
            {checks.data.mayWrite && (
              <>
                <Button look="line" onClick={() => setEditing('new')}>
                  Write an item
                </Button>
                <Button onClick={() => setBringing(true)}>Items from a package</Button>
              </>
            )}
          </div>
          {bank.data.items.length === 0 ? (
            <Empty title="None is here">{words || skill ? 'Drop a word or the skill.' : 'Write the first one.'}</Empty>
          ) : (
            <ul className="list-none m-0 p-0 max-w-[900px]">
              {bank.data.items.map((b) => (
                <Line key={b.item.id} of={b} names={names} edit={() => setEditing(b)} />
              ))}
            </ul>
          )}
          {bringing && (
            <PackageDialog school={checks.data.school} skills={skills.data.rows} onClose={() => setBringing(false)} />
          )}
          {editing && (
            <ItemDialog
              key={editing === 'new' ? 'new' : editing.item.id}
              of={editing === 'new' ? undefined : editing}
              school={checks.data.school}
              skills={skills.data.rows}
              skill={skill ? Number(skill) : undefined}
              onClose={() => setEditing(undefined)}
            />
          )}
        </>
      )}
    </>
  );
}

function Line({ of: b, names, edit }: { of: BankItem; names: Map<number, string>; edit: () => void }) {
  const [open, setOpen] = useState(false);
  const [sure, setSure] = useState(false);
  const end = useEndItem();
  return (
    <li className="border-t border-hair py-1 text-[14.5px]">
      <div className="flex flex-wrap gap-x-3 items-baseline">
        <Button
          aria-expanded={open}
          className="text-left flex-1 min-w-[200px] text-[14.5px]!"
          onClick={() => setOpen(!open)}
        >
          {b.item.prompt}
        </Button>
        <span className="text-soft text-[13.5px]">
          {KINDS[b.item.kind]}
          {b.answered > 0 && `, answered by ${b.answered}`}
        </span>
        {b.mayChange && (
          <Button onClick={edit} aria-label={`${b.answered > 0 ? 'Change or copy' : 'Change'} ${b.item.prompt}`}>
            Change
          </Button>
        )}
        {b.mayChange && (
          <Button
            disabled={end.isPending}
            onBlur={() => setSure(false)}
            aria-label={`${sure ? 'Ask it no more' : 'End'} ${b.item.prompt}`}
            onClick={() => (sure ? end.mutate(b.item.id) : setSure(true))}
          >
            {sure ? 'Ask it no more' : 'End'}
          </Button>
        )}
      </div>
      <p className="m-0 text-soft text-[13px]">
        {b.item.skills
          .map((s) => names.get(s))
          .filter(Boolean)
          .join('; ') || 'no skill of this framework'}
      </p>
      {open && <ItemAsked item={b.item} />}
      <Complaint error={end.error} />
    </li>
  );
}
