import { lazy, Suspense, useState } from 'react';
import type { StudentPage } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useLetters } from '../../../lib/letters';
import { useScope } from '../../../lib/scope';
import { ContactLine } from '../../../parts/contacts/ContactLine';
import { Button } from '../../../ui/Button';

const WriteDialog = lazy(() => import('../../../parts/contacts/WriteDialog').then((m) => ({ default: m.WriteDialog })));
const NoteDialog = lazy(() => import('../../../parts/contacts/NoteDialog').then((m) => ({ default: m.NoteDialog })));

const AT_FIRST = 6;

/** What was said and written about the student, the newest first. */
export function StudentContacts({ page }: { page: StudentPage }) {
  const { live } = useScope();
  const [all, setAll] = useState(false);
  const [acting, setActing] = useState<'write' | 'note'>();
  useLetters(live ? { n: () => setActing('note'), w: () => setActing('write') } : undefined);
  const shown = all ? page.contacts : page.contacts.slice(0, AT_FIRST);
  return (
    <section aria-labelledby="contacts" className="keep border-t border-line pt-2 pb-3">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 id="contacts" className="text-[15px] font-semibold m-0">
          Contacts
        </h2>
        {page.contacts.length === 0 && <span className="text-soft text-[13px]">nothing noted or written yet</span>}
        {live && (
          <span className="ml-auto flex gap-4 no-print">
            <Button onClick={() => setActing('note')}>Note a call</Button>
            <Button onClick={() => setActing('write')}>Write</Button>
          </span>
        )}
      </div>
      <ul className="m-0 p-0 list-none text-[14px]">
        {shown.map((c) => (
          <li key={c.id} className="grid sm:grid-cols-[96px_1fr] gap-x-3 py-1">
            <span className="text-soft">{longDay(c.on)}</span>
            <ContactLine contact={c} />
          </li>
        ))}
      </ul>
      {page.contacts.length > shown.length && (
        <Button onClick={() => setAll(true)} className="no-print">
          Show {page.contacts.length - shown.length} more
        </Button>
      )}
      {acting && (
        <Suspense fallback={null}>
          {acting === 'write' ? (
            <WriteDialog students={[page.student]} purpose="worry" onClose={() => setActing(undefined)} />
          ) : (
            <NoteDialog students={[page.student]} onClose={() => setActing(undefined)} />
          )}
        </Suspense>
      )}
    </section>
  );
}
