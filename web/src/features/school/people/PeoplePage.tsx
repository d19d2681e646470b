import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { AccountPerson, InviteLink } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { RecordsNav } from '../../../ui/RecordsNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { Invite } from './Invite';
import { LinkShown } from './LinkShown';
import { PersonDialog } from './PersonDialog';
import { useNewLink, usePeople, useSetActive } from './queries';
import { RoleSight } from './RoleSight';
import { besides } from './roles';

const CELL = 'border-b border-hair py-1 pr-4 align-top';

/** Everybody with an account, for administrators: invited, given a new link, ended and opened again. */
export default function PeoplePage() {
  const people = usePeople();
  const [inviting, setInviting] = useState(false);
  const [shown, setShown] = useState<{ link: InviteLink; name: string }>();
  const [opened, setOpened] = useState<number>();
  const [words, setWords] = useState('');
  const active = useSetActive();
  const link = useNewLink();
  if (people.isPending) return <Loading label="Opening the list of people ..." />;
  if (isLost(people)) return <Failed error={people.error} again={() => people.refetch()} />;
  const { schools, classes } = people.data;
  const person = people.data.people.find((p) => p.id === opened);
  const meant = words.trim().toLowerCase();
  const found = people.data.people.filter(
    (p) => meant === '' || p.name.toLowerCase().includes(meant) || p.login.includes(meant),
  );
  const newLink = (p: AccountPerson) =>
    link.mutate(p.id, { onSuccess: (made) => setShown({ link: made, name: p.name }) });
  return (
    <>
      <RecordsNav />
      <h1 className="text-[15px] font-semibold m-0">People</h1>
      <p className="text-soft mt-0.5 mb-3 max-w-3xl">
        Everybody who can sign in. A link sets a password, once and within a week; nobody but its owner ever knows a
        password. Ending an account takes nothing away of what was entered.
      </p>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2 mb-3">
        <Field label="Find">
          <input value={words} onChange={(e) => setWords(e.target.value)} placeholder="a name" autoComplete="off" />
        </Field>
        <Button look="solid" onClick={() => setInviting(true)}>
          Invite somebody
        </Button>
      </div>
      <Complaint error={active.error ?? link.error} />
      {found.length === 0 ? (
        <Empty title="Nobody of that name">Look for another, or invite somebody.</Empty>
      ) : (
        <table className="stacks border-collapse text-[14px] w-full max-w-5xl">
          <thead>
            <tr className="text-left text-soft text-[12.5px]">
              {['Name', 'Sign-in name', 'Role', 'Where', 'Last signed in', ''].map((h) => (
                <th key={h} scope="col" className="font-medium pb-1 pr-4 border-b border-line">
                  {h || <span className="sr-only">Change</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {found.map((p) => (
              <tr key={p.id} className={p.active ? '' : 'text-soft'}>
                <td data-line className={`${CELL} font-semibold whitespace-nowrap`}>
                  {p.name}
                </td>
                <td data-label="Sign-in name" className={CELL}>
                  {p.login}
                </td>
                <td data-label="Role" className={CELL}>
                  {p.role}
                  {p.beside.map((r) => (
                    <span key={r.id} className="block text-soft text-[13px]">
                      {besides(r, schools)}
                    </span>
                  ))}
                </td>
                <td data-label="Where" className={CELL}>
                  {where(p, schools)}
                </td>
                <td data-label="Last signed in" className={CELL}>
                  {standing(p)}
                </td>
                <td className={`${CELL} text-right whitespace-nowrap`}>
                  <Button className="py-0! mr-4" aria-label={`Change ${p.name}`} onClick={() => setOpened(p.id)}>
                    Change
                  </Button>
                  {p.active && (
                    <Button
                      className="py-0! mr-4"
                      disabled={link.isPending}
                      aria-label={`New link for ${p.name}`}
                      onClick={() => newLink(p)}
                    >
                      New link
                    </Button>
                  )}
                  <Button
                    className="py-0!"
                    disabled={active.isPending}
                    aria-label={`${p.active ? 'End' : 'Open'} the account of ${p.name}`}
                    onClick={() => active.mutate({ id: p.id, active: !p.active })}
                  >
                    {p.active ? 'End' : 'Open again'}
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Invite
        open={inviting}
        schools={schools}
        onClose={() => setInviting(false)}
        onMade={(made, name) => {
          setInviting(false);
          setShown({ link: made, name });
        }}
      />
      <RoleSight />
      {person && (
        <PersonDialog person={person} schools={schools} classes={classes} onClose={() => setOpened(undefined)} />
      )}
      <LinkShown shown={shown} onClose={() => setShown(undefined)} />
    </>
  );
}

function where(p: AccountPerson, schools: { id: number; name: string }[]): string {
  if (p.role === 'administrator') return 'everything';
  const school = schools.find((s) => s.id === p.schoolId)?.name ?? '';
  const classes = p.teaches.filter((t) => t.ends === undefined).map((t) => t.className);
  const own = [...new Set(classes), ...(p.caseload > 0 ? [`caseload of ${p.caseload}`] : [])];
  return [school, own.join(', ')].filter(Boolean).join(': ');
}

function standing(p: AccountPerson): string {
  if (!p.active) return 'account ended';
  const parts = [p.signedInAt ? longDay(p.signedInAt.slice(0, 10)) : p.hasPassword ? 'not yet' : 'no password yet'];
  if (p.linkEndsAt) parts.push(`link until ${longDay(p.linkEndsAt.slice(0, 10))}`);
  if (p.secondStep) parts.push('with a second step');
  return parts.join(', ');
}
