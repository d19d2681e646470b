import { useState } from 'react';
import type { BoardView } from '../../../api/types';
import { shortDay } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { PartChoice, SentencePart } from '../../../ui/SentencePart';
import { Complaint } from '../../../ui/States';
import type { BoardState } from './board';
import { PairForm } from './PairForm';
import { type Asking, useUnpair } from './queries';

/** How groups are wished for. */
export interface Wish {
  least: number;
  most: number;
  need: Asking['need'];
  /** How much new company counts. */
  fresh: number;
  /** Whether who has the skill stays with the class. */
  restStays: boolean;
}

interface Props {
  view: BoardView;
  wish: Wish;
  board: BoardState;
  onWish: (part: Partial<Wish>) => void;
  onSkill: (skill: number) => void;
}

const FRESH: [number, string][] = [
  [0, 'fresh company does not matter'],
  [0.2, 'fresh company matters a little'],
  [0.5, 'fresh company matters'],
  [2, 'fresh company matters much'],
];

/** How groups are made, as a sentence of which each part can be changed. */
export function Sentence({ view, wish, board, onWish, onSkill }: Props) {
  const { choices, scope } = useScope();
  const skill = view.skills.find((s) => s.id === view.skill);
  const measure = choices.measures.find((m) => m.id === scope.measure);
  const needs: Record<Wish['need'], string> = {
    mistakes: `how they go wrong on ${skill?.name ?? 'a skill'}`,
    skill: `who has ${skill?.name ?? 'a skill'}`,
    score: `the newest score in ${measure?.name ?? 'the measure'}`,
    none: 'no need at all',
  };
  const bySkill = wish.need === 'mistakes' || wish.need === 'skill';
  const leaders = board.groups.filter((g) => g.leader.trim() !== '').length;
  return (
    <p className="m-0 text-[16.5px] leading-relaxed max-w-[900px]">
      Groups of{' '}
      <SentencePart label="Sizes" text={wish.least === wish.most ? `${wish.least}` : `${wish.least} to ${wish.most}`}>
        {() => <Sizes wish={wish} onWish={onWish} />}
      </SentencePart>{' '}
      by{' '}
      <SentencePart label="Made by" text={needs[wish.need]}>
        {(close) => (
          <div className="py-1">
            {(Object.keys(needs) as Wish['need'][])
              .filter((n) => view.skills.length > 0 || (n !== 'mistakes' && n !== 'skill'))
              .map((n) => (
                <PartChoice
                  key={n}
                  chosen={n === wish.need}
                  onChoose={() => {
                    onWish({ need: n });
                    close();
                  }}
                >
                  {needs[n]}
                </PartChoice>
              ))}
            {view.skills.length > 0 && (
              <label className="block px-4 pt-2 text-[13px] text-soft">
                The skill
                <select
                  className="block w-full mt-0.5"
                  value={view.skill ?? ''}
                  onChange={(e) => {
                    onSkill(Number(e.target.value));
                    if (!bySkill) onWish({ need: 'mistakes' });
                  }}
                >
                  {view.skill === undefined && <option value="">Choose</option>}
                  {view.skills.map((s) => (
                    <option key={s.id} value={s.id}>
                      {s.name}
                    </option>
                  ))}
                </select>
              </label>
            )}
          </div>
        )}
      </SentencePart>
      ,{' '}
      <SentencePart label="Company" text={FRESH.find(([f]) => f === wish.fresh)?.[1] ?? 'fresh company matters'}>
        {(close) =>
          FRESH.map(([f, words]) => (
            <PartChoice
              key={f}
              chosen={f === wish.fresh}
              onChoose={() => {
                onWish({ fresh: f });
                close();
              }}
            >
              {words}
            </PartChoice>
          ))
        }
      </SentencePart>
      {bySkill && (
        <>
          , who has it{' '}
          <SentencePart label="Who has the skill" text={wish.restStays ? 'stays with the class' : 'is in groups, too'}>
            {(close) =>
              [true, false].map((stays) => (
                <PartChoice
                  key={String(stays)}
                  chosen={stays === wish.restStays}
                  onChoose={() => {
                    onWish({ restStays: stays });
                    close();
                  }}
                >
                  {stays ? 'stays with the class' : 'is in groups, too'}
                </PartChoice>
              ))
            }
          </SentencePart>
        </>
      )}
      {board.groups.length > 0 &&
        `, led by ${leaders === 0 ? 'nobody yet' : leaders === 1 ? '1 adult' : `${leaders} adults`}`}
      {board.stays.length > 0 && `; ${board.stays.length} ${board.stays.length === 1 ? 'stays' : 'stay'}`}
      {'; '}
      <SentencePart label="Together and apart" text={pairWords(view)}>
        {(close) => <Pairs view={view} close={close} />}
      </SentencePart>
      .
    </p>
  );
}

function pairWords(view: BoardView): string {
  const together = view.pairs.filter((p) => p.together).length;
  const apart = view.pairs.length - together;
  const parts = [together > 0 && `${2 * together} kept together`, apart > 0 && `${2 * apart} kept apart`].filter(
    (p) => p !== false,
  );
  return parts.length > 0 ? parts.join(', ') : 'nobody kept together or apart';
}

function Sizes({ wish, onWish }: { wish: Wish; onWish: Props['onWish'] }) {
  const [least, setLeast] = useState(String(wish.least));
  const [most, setMost] = useState(String(wish.most));
  const whole = (t: string) => /^\d{1,2}$/.test(t.trim()) && Number(t) >= 1 && Number(t) <= 40;
  const good = whole(least) && whole(most) && Number(least) <= Number(most);
  return (
    <form
      className="px-4 py-2 flex flex-col gap-2 w-64"
      onSubmit={(e) => {
        e.preventDefault();
        if (good) onWish({ least: Number(least), most: Number(most) });
      }}
    >
      <span className="flex items-center gap-2">
        <input
          aria-label="Fewest in a group"
          inputMode="numeric"
          value={least}
          onChange={(e) => setLeast(e.target.value)}
          className="w-16"
        />
        to
        <input
          aria-label="Most in a group"
          inputMode="numeric"
          value={most}
          onChange={(e) => setMost(e.target.value)}
          className="w-16"
        />
      </span>
      {!good && <span className="text-danger text-[13px]">Two numbers from 1 to 40, the smaller first.</span>}
      <Button look="solid" type="submit" disabled={!good}>
        So many
      </Button>
    </form>
  );
}

/** Those who are kept together or apart, taken off here; more are added. */
function Pairs({ view, close }: { view: BoardView; close: () => void }) {
  const { nameOf } = useNames();
  const { live } = useScope();
  const unpair = useUnpair();
  const names = new Map(view.students.map((s) => [s.student.id, nameOf(s.student)]));
  return (
    <div className="px-4 py-2 w-80 text-[14px]">
      {view.pairs.length === 0 && <p className="m-0 text-soft">Nobody yet.</p>}
      <ul className="list-none m-0 p-0">
        {view.pairs.map((p) => (
          <li key={p.id} className="border-b border-hair py-1">
            {names.get(p.a)} and {names.get(p.b)}: {p.together ? 'together' : 'apart'}
            {p.until && ` until ${shortDay(p.until)}`}
            {p.because && <span className="text-soft">, {p.because}</span>}{' '}
            {live && (
              <Button
                className="py-0!"
                aria-label={`No longer: ${names.get(p.a)} and ${names.get(p.b)}`}
                disabled={unpair.isPending}
                onClick={() => unpair.mutate(p.id)}
              >
                No longer
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Complaint error={unpair.error} />
      {live && <PairForm view={view} onDone={close} />}
    </div>
  );
}
