import type { StudentRef } from '../../api/types';
import { longDay } from '../../lib/format';
import { useScope } from '../../lib/scope';
import { ContactLine } from './ContactLine';
import { useContacts } from './queries';

const NEWEST = 3;

/** What was last said and written about a student, where the talk is about more than that. */
export function LastContacts({ student }: { student: StudentRef }) {
  const { scope } = useScope();
  const contacts = useContacts(scope);
  const own = contacts.data?.contacts.filter((c) => c.student.id === student.id).slice(0, NEWEST) ?? [];
  return (
    <section aria-label="Contacts" className="mt-2">
      <h2 className="text-[15px] font-semibold m-0">Contacts</h2>
      {own.length === 0 && (
        <p className="m-0 text-[14px] text-soft">{contacts.data ? 'Nothing noted or written lately.' : ' '}</p>
      )}
      <ul className="m-0 p-0 list-none text-[14px]">
        {own.map((c) => (
          <li key={c.id} className="grid grid-cols-[92px_1fr] gap-x-3">
            <span className="text-soft">{longDay(c.on)}</span>
            <ContactLine contact={c} quiet />
          </li>
        ))}
      </ul>
    </section>
  );
}
