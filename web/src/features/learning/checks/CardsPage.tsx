import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { StudentCard } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { longDay, plural } from '../../../lib/format';
import { className, useScope } from '../../../lib/scope';
import { useOwnTitle } from '../../../lib/useTitle';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { SkillsNav } from '../../../ui/SkillsNav';
import { Complaint, Empty, Failed, Loading } from '../../../ui/States';
import { useCards, useMakeCards } from './queries';

/** Cards of four words, by which the students of a class sign in for a term. */
export default function CardsPage() {
  const { scope, choices } = useScope();
  const [params, setParams] = useAddress();
  const classes = choices.classes.filter((c) => c.yearId === scope.year);
  const own = /^class-(\d+)$/.exec(scope.who)?.[1];
  const chosen = params.get('class') ?? own ?? (classes[0] ? `${classes[0].id}` : undefined);
  const cards = useCards(chosen === undefined ? undefined : Number(chosen));
  useOwnTitle('Cards for signing in');
  return (
    <>
      <SkillsNav>
        {classes.length > 1 && (
          <Choice
            aria-label="Class"
            value={chosen}
            options={Object.fromEntries(classes.map((c) => [`${c.id}`, className(c.name)]))}
            onChange={(c) =>
              setParams((now) => {
                const next = new URLSearchParams(now);
                next.set('class', c);
                return next;
              })
            }
          />
        )}
      </SkillsNav>
      {chosen === undefined && <Empty title="There is no class">Cards are made for a class.</Empty>}
      {chosen !== undefined && cards.isPending && <Loading label="Looking for the cards ..." />}
      {isLost(cards) && <Failed error={cards.error} again={() => cards.refetch()} />}
      {cards.data && chosen !== undefined && (
        <Whole key={chosen} classId={Number(chosen)} cards={cards.data.cards} until={cards.data.until} />
      )}
    </>
  );
}

function Whole({ classId, cards, until }: { classId: number; cards: StudentCard[]; until: string }) {
  const make = useMakeCards();
  const without = cards.filter((c) => !c.words).length;
  if (cards.length === 0) return <Empty title="Nobody is in this class today">Cards are made for those who are.</Empty>;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 no-print">
        <h1 className="text-[16px] font-semibold m-0">
          {without === cards.length
            ? 'No cards yet'
            : without > 0
              ? `${plural(without, 'student')} without a card`
              : `${plural(cards.length, 'card')}, good until ${longDay(cards[0]?.ends ?? until)}`}
        </h1>
        {without > 0 && (
          <Button look="solid" disabled={make.isPending} onClick={() => make.mutate({ classId })}>
            Make {plural(without, 'card')}
          </Button>
        )}
        {without < cards.length && (
          <Button look="line" onClick={() => print()}>
            Print the cards
          </Button>
        )}
      </div>
      <p className="m-0 mb-3 text-soft text-[14px] max-w-[720px] no-print">
        A card lets its student into their own checks and nothing else, until {longDay(until)} and as long as they are
        in the class. Who loses one gets new words; the old ones are good no more.
      </p>
      <Complaint error={make.error} />
      <ul className="list-none m-0 p-0 grid grid-cols-1 sm:grid-cols-2 xl:grid-cols-3 print:grid-cols-2 gap-3">
        {cards.map((c) => (
          <Card
            key={c.student.id}
            card={c}
            anew={() => make.mutate({ classId, students: [c.student.id] })}
            busy={make.isPending}
          />
        ))}
      </ul>
    </>
  );
}

function Card({ card: c, anew, busy }: { card: StudentCard; anew: () => void; busy: boolean }) {
  const [sure, setSure] = useState(false);
  return (
    <li className="border border-stile rounded-[4px] px-4 py-3 print:break-inside-avoid">
      {/* A card without its name helps nobody, hidden names or not. */}
      <p className="m-0 text-[15px]">
        <b className="font-semibold">{c.student.name}</b>{' '}
        <span className="text-soft">{className(c.student.className)}</span>
      </p>
      {c.words ? (
        <>
          <p className="m-0 text-[21px] tracking-wide">{c.words.join(' ')}</p>
          <p className="m-0 text-soft text-[13px]">
            {location.host}/take, until {longDay(c.ends as string)}
          </p>
          <Button
            className="no-print"
            disabled={busy}
            aria-label={
              sure ? `The old words of ${c.student.name} are good no more` : `New words for ${c.student.name}`
            }
            onBlur={() => setSure(false)}
            onClick={() => {
              if (sure) anew();
              setSure(!sure);
            }}
          >
            {sure ? 'The old words are good no more: go on' : 'New words'}
          </Button>
        </>
      ) : (
        <p className="m-0 text-soft">no card yet</p>
      )}
    </li>
  );
}
