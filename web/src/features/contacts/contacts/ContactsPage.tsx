import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { isLost } from '../../../api/lost';
import type { Contact, ContactsView } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { ContactLine } from '../../../parts/contacts/ContactLine';
import { useContacts, useLooked } from '../../../parts/contacts/queries';
import { Button } from '../../../ui/Button';
import { DeskNav } from '../../../ui/DeskNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';

export default function ContactsPage() {
  const { scope } = useScope();
  const contacts = useContacts(scope);
  return (
    <>
      <DeskNav />
      {contacts.isPending && <Loading label="Looking up what was said ..." />}
      {isLost(contacts) && <Failed error={contacts.error} again={() => contacts.refetch()} />}
      {contacts.data && <Whole view={contacts.data} />}
    </>
  );
}

function Whole({ view }: { view: ContactsView }) {
  const { nameOf } = useNames();
  const on = view.contacts.filter((c) => c.letter === 'waiting' || c.letter === 'sending').length;
  const failed = view.contacts.filter((c) => c.letter === 'failed' || c.letter === 'unsure').length;
  return (
    <div className="max-w-[900px]">
      <h1 className="text-[16px] font-semibold m-0">Contacts</h1>
      <p className="text-soft text-[14px] m-0 mb-2" role="status">
        {view.contacts.length === 0
          ? 'Nothing has been noted or written yet.'
          : `${plural(view.contacts.length, 'contact')}, the newest first.`}
        {on > 0 && ` ${plural(on, 'letter')} on the way.`}
        {failed > 0 && ` ${plural(failed, 'letter')} did not arrive: see below.`}
        {!view.mail && ' No mail server is set up, so nothing can be sent from here; calls and talks can be noted.'}
        {view.mailPage && (
          <>
            {' '}
            <a href={view.mailPage} target="_blank" rel="noreferrer">
              What went out
            </a>{' '}
            (a stand-in; nothing leaves this machine).
          </>
        )}
      </p>
      {view.due.length > 0 && (
        <section aria-labelledby="due" className="mb-5">
          <h2 id="due" className="text-[14.5px] font-semibold m-0 mb-1">
            To look at again
          </h2>
          <ul className="m-0 p-0 list-none">
            {view.due.map((c) => (
              <Row key={c.id} contact={c} day={c.lookAgainOn ?? c.on}>
                <Looked id={c.id} name={nameOf(c.student)} />
              </Row>
            ))}
          </ul>
        </section>
      )}
      {view.contacts.length === 0 ? (
        <Empty title="Who was last spoken to, and about what">
          Pick students anywhere, then <b>Write</b> or <b>Note a call</b> in the bar at the bottom. What is noted and
          written is listed here and on the student's page.
        </Empty>
      ) : (
        <section aria-labelledby="all">
          <h2 id="all" className="text-[14.5px] font-semibold m-0 mb-1">
            What was said and written
          </h2>
          <ul className="m-0 p-0 list-none">
            {view.contacts.map((c) => (
              <Row key={c.id} contact={c} day={c.on} />
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function Row({ contact: c, day, children }: { contact: Contact; day: string; children?: ReactNode }) {
  const { link } = useScope();
  const { nameOf } = useNames();
  return (
    <li className="border-t border-hair py-1.5 text-[14px] grid sm:grid-cols-[96px_170px_1fr] gap-x-3">
      <span className="text-soft">{longDay(day)}</span>
      <Link to={link(`/students/${c.student.id}`)} className="font-semibold text-ink no-underline hover:underline">
        {nameOf(c.student)}
      </Link>
      <ContactLine contact={c}>{children}</ContactLine>
    </li>
  );
}

function Looked({ id, name }: { id: number; name: string }) {
  const { live } = useScope();
  const looked = useLooked();
  return live ? (
    <>
      <Button
        onClick={() => looked.mutate(id)}
        disabled={looked.isPending}
        aria-label={`Looked at: ${name}`}
        className="py-0! no-print"
      >
        Looked at
      </Button>
      <Complaint error={looked.error} />
    </>
  ) : null;
}
