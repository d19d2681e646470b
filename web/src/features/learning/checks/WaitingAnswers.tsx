import { useState } from 'react';
import type { LiveCheck } from '../../../api/types';
import { plural } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { useDecideWorth } from './queries';

type Waiting = LiveCheck['waiting'][number];

const FIRST = 4;

/** Answers that no key foresaw, each once: what is said of it counts for all who wrote it, now and later. */
export function WaitingAnswers({ live }: { live: LiveCheck }) {
  const [all, setAll] = useState(false);
  const shown = all ? live.waiting : live.waiting.slice(0, FIRST);
  return (
    <section aria-labelledby="to-decide" className="mb-4 max-w-[820px]">
      <h2 id="to-decide" className="text-[15px] font-semibold m-0">
        {plural(live.waiting.length, 'answer')} to decide
      </h2>
      <p className="m-0 mb-1 text-soft text-[14px]">What you say counts for everybody who wrote it.</p>
      <ul className="list-none m-0 p-0">
        {shown.map((w) => (
          <One key={`${w.item} ${w.answer}`} waiting={w} live={live} />
        ))}
      </ul>
      {live.waiting.length > FIRST && (
        <Button aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${live.waiting.length}`}
        </Button>
      )}
    </section>
  );
}

function One({ waiting: w, live }: { waiting: Waiting; live: LiveCheck }) {
  const decide = useDecideWorth();
  const { nameOf: name } = useNames();
  const [shows, setShows] = useState('');
  const n = live.check.items.findIndex((i) => i.id === w.item);
  const item = live.check.items[n];
  if (!item) return null;
  const names = w.students
    .map((id) => live.students.find((s) => s.student.id === id))
    .flatMap((s) => (s ? [name(s.student)] : []));
  const say = (share: number) => decide.mutate({ item: w.item, answer: w.answer, share, shows: shows || undefined });
  return (
    <li className="border-t border-hair py-1.5 text-[14.5px]">
      <div className="flex flex-wrap gap-x-3 gap-y-1 items-center">
        <span className="flex-1 min-w-[200px]">
          <b className="font-semibold">{w.written}</b>{' '}
          <span className="text-soft">
            to {n + 1}, {item.prompt}
          </span>
        </span>
        {live.mayWrite && (
          <>
            <Button look="line" disabled={decide.isPending} onClick={() => say(1)} aria-label={`${w.written} is right`}>
              Right
            </Button>
            <Button disabled={decide.isPending} onClick={() => say(0.5)} aria-label={`${w.written} is half right`}>
              Half
            </Button>
            <Button disabled={decide.isPending} onClick={() => say(0)} aria-label={`${w.written} is wrong`}>
              Wrong
            </Button>
            <input
              className="w-56 text-[14px]"
              maxLength={200}
              placeholder="the mistake it shows, if any"
              aria-label={`The mistake that ${w.written} shows`}
              value={shows}
              onChange={(e) => setShows(e.target.value)}
            />
          </>
        )}
      </div>
      <p className="m-0 text-soft text-[13px]">{names.join(', ')}</p>
      <Complaint error={decide.error} />
    </li>
  );
}
