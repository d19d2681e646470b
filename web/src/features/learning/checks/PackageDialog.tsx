import { useState } from 'react';
import { Link } from 'react-router';
import type { PackageResult, SkillRow } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { Complaint } from '../../../ui/States';
import { usePackage } from './queries';
import { KINDS } from './words';

/** Items from a QTI package: looked at first, then taken. What cannot be asked here is said item by item. */
export function PackageDialog({
  school,
  skills,
  onClose,
}: {
  school: number;
  skills: SkillRow[];
  onClose: () => void;
}) {
  const { link } = useScope();
  const [file, setFile] = useState<File>();
  const [skill, setSkill] = useState('');
  const [check, setCheck] = useState('');
  const look = usePackage();
  const take = usePackage();
  const choose = (chosen: File | undefined) => {
    setFile(chosen);
    take.reset();
    look.reset();
    if (chosen) look.mutate({ school, file: chosen, take: false });
  };
  const found = take.data ?? look.data;
  return (
    <Dialog open onClose={onClose} size="medium" title="Items from a package">
      <div className="flex flex-col gap-3">
        <p className="m-0 text-soft text-[14px]">
          Publishers give items as packages in the form of QTI 3.0 (a file that ends in .zip). You see what would come
          before anything is saved.
        </p>
        <input
          type="file"
          aria-label="Package"
          accept=".zip,.xml,application/zip"
          onChange={(e) => choose(e.target.files?.[0])}
        />
        {look.isPending && <p className="m-0 text-soft">Reading the package ...</p>}
        <Complaint error={look.error ?? take.error} />
        {found && <Found found={found} />}
        {take.data ? (
          <p role="status" className="m-0">
            {plural(take.data.added, 'item')} {take.data.added === 1 ? 'is' : 'are'} in the bank now.{' '}
            {take.data.check !== undefined && (
              <>
                A check was made of them:{' '}
                <Link to={link('/skills/checks/build', { check: `${take.data.check}` })}>look at it</Link>.
              </>
            )}
          </p>
        ) : (
          look.data &&
          file &&
          (look.data.added > 0 || look.data.known > 0) && (
            <>
              <div className="flex flex-wrap gap-4">
                <Field label="The skill that new ones ask for">
                  <Choice
                    value={skill}
                    options={{
                      '': 'say later, one by one',
                      ...Object.fromEntries(skills.map((s) => [`${s.id}`, s.name])),
                    }}
                    onChange={setSkill}
                  />
                </Field>
                <Field label="Name of a check made of them (empty: none)">
                  <input maxLength={120} value={check} onChange={(e) => setCheck(e.target.value)} />
                </Field>
              </div>
              <Button
                look="solid"
                className="self-start"
                disabled={take.isPending || (look.data.added === 0 && check.trim() === '')}
                onClick={() =>
                  take.mutate({ school, file, take: true, skill: skill || undefined, check: check.trim() || undefined })
                }
              >
                {take.isPending
                  ? 'Saving ...'
                  : look.data.added > 0
                    ? `Take ${plural(look.data.added, 'item')}`
                    : check.trim()
                      ? 'Make the check'
                      : 'All of them are in the bank already'}
              </Button>
            </>
          )
        )}
        <Button className="self-start" onClick={onClose}>
          Close
        </Button>
      </div>
    </Dialog>
  );
}

const STATES: Record<string, string> = {
  new: 'new',
  known: 'in the bank already',
  unsupported: 'cannot be asked here',
};

function Found({ found }: { found: PackageResult }) {
  return (
    <section aria-label="What is in it">
      <p className="m-0 text-[14.5px] font-semibold">
        {plural(found.items.length, 'item')}: {found.added} new, {found.known} in the bank already
        {found.unsupported > 0 && `, ${found.unsupported} cannot be asked here`}
      </p>
      <ul className="list-none m-0 p-0 max-h-[300px] overflow-auto text-[14px]">
        {found.items.map((i, n) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two items of a package may be called the same
          <li key={n} className="border-t border-hair py-1">
            <b className="font-semibold">{i.name}</b>{' '}
            <span className={i.state === 'unsupported' ? 'text-danger' : 'text-soft'}>
              {STATES[i.state]}
              {i.kind && `, ${KINDS[i.kind]}`}
            </span>
            {i.words && <p className="m-0 text-soft">{i.words}</p>}
          </li>
        ))}
      </ul>
    </section>
  );
}
