import { useState } from 'react';
import { isLost } from '../../../api/lost';
import { useSession } from '../../../api/session';
import type { SchoolText } from '../../../api/types';
import { useScope } from '../../../lib/scope';
import { useTexts } from '../../../parts/contacts/queries';
import { PrintWordsForm } from '../../../parts/prints/PrintWordsForm';
import { Button } from '../../../ui/Button';
import { SetupNav } from '../../../ui/SetupNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { TextDialog } from './TextDialog';

const PURPOSES = { worry: 'for a worry', praise: 'for praise', other: 'for other things' };

/** The school's own texts, with which letters begin. */
export default function TextsPage() {
  const texts = useTexts();
  const session = useSession();
  const { choices } = useScope();
  const [open, setOpen] = useState<SchoolText | 'new'>();
  const schools = new Map(choices.classes.map((c) => [c.schoolId, c.schoolName]));
  const role = session.data?.person?.role;
  const mayAdd = role === 'coordinator' || role === 'administrator';
  const mayChange = (t: SchoolText) =>
    mayAdd && (role === 'administrator' || t.schoolId !== undefined || schools.size === 1);
  return (
    <>
      <SetupNav />
      <section aria-labelledby="texts" className="max-w-[760px]">
        <h1 id="texts" className="text-[17px] font-[650] tracking-tight m-0">
          Texts for letters
        </h1>
        <p className="text-soft mt-0.5 mb-3">
          What a letter begins with; whoever writes can change it before it goes. A text may have a wording in each
          language that people at home read.
        </p>
        {texts.isPending && <Loading label="Opening the texts ..." />}
        {isLost(texts) && <Failed error={texts.error} again={() => texts.refetch()} />}
        {texts.data?.texts.length === 0 && (
          <Empty title="No texts yet">
            Letters can be written without one. A good text saves a teacher ten minutes.
          </Empty>
        )}
        <ul className="m-0 p-0 list-none">
          {texts.data?.texts.map((t) => (
            <li key={t.id} className="flex items-baseline gap-3 border-t border-hair py-1.5">
              <span className="flex-1 min-w-0">
                <b className="font-semibold">{t.name}</b>
                <span className="block text-soft text-[13px]">
                  {[
                    PURPOSES[t.purpose],
                    t.schoolId === undefined ? schools.size > 1 && 'every school' : schools.get(t.schoolId),
                    ...t.wordings.map((w) => w.language),
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </span>
                <span className="block text-[14px]">{t.wordings[0]?.subject}</span>
              </span>
              {mayChange(t) && (
                <Button className="no-print" aria-label={`Change: ${t.name}`} onClick={() => setOpen(t)}>
                  Change
                </Button>
              )}
            </li>
          ))}
        </ul>
        {mayAdd ? (
          <div className="mt-3 no-print">
            <Button look="line" onClick={() => setOpen('new')}>
              Add a text
            </Button>
          </div>
        ) : (
          <p className="text-soft text-[14px]">Coordinators and administrators change them.</p>
        )}
      </section>
      {[...schools].slice(0, 5).map(([id, name]) => (
        <PrintWordsForm key={id} school={id} schoolName={schools.size > 1 ? name : undefined} />
      ))}
      {open && texts.data && (
        <TextDialog
          known={open === 'new' ? undefined : open}
          fields={texts.data.fields}
          schools={schools}
          everywhere={role === 'administrator' || schools.size === 1}
          onClose={() => setOpen(undefined)}
        />
      )}
    </>
  );
}
