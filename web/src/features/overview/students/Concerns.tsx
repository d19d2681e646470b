import { useState } from 'react';
import type { Concern, StudentPage } from '../../../api/types';
import { useScope } from '../../../lib/scope';
import { ConcernDialog, NewConcernDialog } from '../../../parts/plans/ConcernDialog';
import { LEVELS } from '../../../parts/plans/words';
import { Button } from '../../../ui/Button';
import { Fact } from './Fact';

/** What a student worries us in, by area; set and changed here whether a measure is about the area or not. */
export function Concerns({ page }: { page: StudentPage }) {
  const { live } = useScope();
  const [open, setOpen] = useState<Concern | 'new'>();
  const shown = page.concerns.filter((c) => c.level > 0);
  const close = () => setOpen(undefined);
  if (shown.length === 0 && !live) return null;
  return (
    <Fact term="Concerns">
      {shown.map((c) => (
        <span key={c.id} className="block">
          {c.area}:{' '}
          {live ? (
            <Button
              className="py-0! min-h-[24px]"
              aria-label={`${c.area}: ${LEVELS[c.level]}`}
              onClick={() => setOpen(c)}
            >
              {LEVELS[c.level]}
            </Button>
          ) : (
            LEVELS[c.level]?.toLowerCase()
          )}
          {c.note && <span className="block text-soft text-[13px]">{c.note}</span>}
        </span>
      ))}
      {live && (
        <Button className="no-print py-0! min-h-[24px]" onClick={() => setOpen('new')}>
          Add a concern
        </Button>
      )}
      {open === 'new' && (
        <NewConcernDialog student={page.student} areas={page.areas} known={page.concerns} onClose={close} />
      )}
      {open !== undefined && open !== 'new' && (
        <ConcernDialog area={open.area} of={{ student: page.student, concern: open }} onClose={close} />
      )}
    </Fact>
  );
}
