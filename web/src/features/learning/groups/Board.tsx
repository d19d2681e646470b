import { useEffect, useState } from 'react';
import type { BoardView, Proposed } from '../../../api/types';
import { longDay, plural } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { GroupsNav } from '../../../ui/GroupsNav';
import { Complaint } from '../../../ui/States';
import { type BoardState, EMPTY, looked, moved, placeOf, proposed } from './board';
import { GroupColumn } from './GroupColumn';
import { KeepDialog } from './KeepDialog';
import { type Asking, useLook, usePropose } from './queries';
import { Seat } from './Seat';
import { Sentence, type Wish } from './Sentence';

interface Kept {
  wish: Wish;
  board: BoardState;
  said?: Pick<Proposed, 'pairs' | 'newPairs' | 'since' | 'tries'>;
  seed: number;
  /** By which skill the groups on the board were made. */
  skill?: number;
}

/** What stood on the board of these students when this tab left it. */
function before(key: string): Kept | undefined {
  try {
    return JSON.parse(sessionStorage.getItem(key) ?? 'null') ?? undefined;
  } catch {
    return undefined;
  }
}

export function Board({ view, choose }: { view: BoardView; choose: (skill: number) => void }) {
  const { scope, live } = useScope();
  const picks = usePicks();
  const key = `ladder-board ${scope.who} ${scope.year}`;
  const [now, setNow] = useState<Kept>(
    () =>
      before(key) ?? {
        wish: { least: 4, most: 5, need: view.skill === undefined ? 'none' : 'mistakes', fresh: 0.5, restStays: true },
        board: EMPTY,
        seed: 1,
      },
  );
  const [keeping, setKeeping] = useState(false);
  const propose = usePropose();
  const look = useLook();
  useEffect(() => sessionStorage.setItem(key, JSON.stringify(now)), [key, now]);
  const { wish, board } = now;
  const here = new Map(view.students.map((s) => [s.student.id, s]));
  const bySkill = wish.need === 'skill' || wish.need === 'mistakes';
  const skill = bySkill ? view.skill : undefined;
  const { who, year, asOf, measure } = scope;
  const onBoard = board.groups.length > 0;
  const begin = (next: Wish, seed: number, from: BoardState) => {
    const stay = next.restStays && (next.need === 'skill' || next.need === 'mistakes');
    const picked = picks.all.filter((p) => here.has(p.id)).map((p) => p.id);
    const alone = !onBoard && picked.length > 1;
    // What is wished for otherwise is settled anew; else who was sent back to the class stays there.
    const same = onBoard && now.skill === view.skill && next.restStays === wish.restStays && next.need === wish.need;
    const rest = [...here.keys()].filter((id) =>
      same
        ? from.rest.includes(id)
        : (alone && !picked.includes(id)) || (stay && here.get(id)?.state === 'secure' && !from.stays.includes(id)),
    );
    const students = [...here.keys()].filter((id) => !rest.includes(id));
    const body: Asking = {
      who,
      year,
      asOf,
      students,
      need: next.need,
      skill: next.need === 'skill' || next.need === 'mistakes' ? view.skill : undefined,
      measure,
      least: next.least,
      most: next.most,
      fresh: next.fresh,
      stays: from.stays.flatMap((s) => {
        const group = placeOf(from, s);
        return group === undefined ? [] : [{ student: s, group }];
      }),
      seed,
    };
    if (students.length === 0) return;
    propose.mutate(body, {
      // Leaders and times may have been typed while it was looked for.
      onSuccess: (found) =>
        setNow((was) => ({
          wish: next,
          seed,
          skill: view.skill,
          board: proposed(was.board, found, rest),
          said: found,
        })),
    });
  };
  const wished = (part: Partial<Wish>) => {
    const next = { ...wish, ...part };
    setNow({ ...now, wish: next });
    if (onBoard) begin(next, now.seed, board);
  };
  const put = (next: BoardState) => {
    setNow({ ...now, board: next });
    const groups = next.groups.map((g) => g.students).filter((g) => g.length > 0);
    if (groups.length === 0) return;
    look.mutate(
      { who, year, asOf, need: bySkill && view.skill === undefined ? 'none' : wish.need, skill, groups },
      {
        onSuccess: (found) =>
          setNow((was) => ({ ...was, board: looked(was.board, found), said: { ...found, tries: 0 } })),
      },
    );
  };
  const move = (student: number, to: number | undefined) => put(moved(board, student, to));
  const stay = (student: number, on: boolean) =>
    setNow({
      ...now,
      board: { ...board, stays: on ? [...board.stays, student] : board.stays.filter((s) => s !== student) },
    });
  const seat = (id: number) => {
    const s = here.get(id);
    return s ? (
      <Seat
        key={id}
        of={s}
        view={view}
        board={board}
        onMove={(to) => move(id, to)}
        stays={board.stays.includes(id)}
        onStay={(on) => stay(id, on)}
      />
    ) : null;
  };
  const rest = board.rest.filter((id) => here.has(id));
  const newcomers = onBoard
    ? [...here.keys()].filter((id) => placeOf(board, id) === undefined && !board.rest.includes(id))
    : [];
  return (
    <>
      <GroupsNav>
        {onBoard ? (
          <>
            <Button disabled={propose.isPending} onClick={() => begin(wish, now.seed + 1, board)}>
              Propose again
            </Button>
            <Button onClick={() => window.print()}>Print the tables</Button>
            <Button onClick={() => setNow({ wish, board: EMPTY, seed: 1 })}>Clear the board</Button>
            {live && (
              <Button look="solid" onClick={() => setKeeping(true)}>
                Keep these
              </Button>
            )}
          </>
        ) : (
          <Button look="solid" disabled={propose.isPending} onClick={() => begin(wish, 1, board)}>
            Propose groups
          </Button>
        )}
      </GroupsNav>
      <h1 className="sr-only">Groups for tomorrow</h1>
      <Sentence view={view} wish={wish} board={board} onWish={wished} onSkill={choose} />
      <p className="m-0 mb-3 text-soft text-[14px] min-h-[21px]" role="status">
        {now.said && onBoard && (
          <>
            {now.said.newPairs} of {plural(now.said.pairs, 'pair')} {now.said.pairs === 1 ? 'is' : 'are'} new since{' '}
            {longDay(now.said.since)}.
            {now.said.tries > 1 && ` Nothing better was found from ${now.said.tries} beginnings.`}
            {now.said.tries === 1 && ' Every arrangement was tried.'}
          </>
        )}
        {!onBoard &&
          (picks.all.some((p) => here.has(p.id)) && picks.all.filter((p) => here.has(p.id)).length > 1
            ? `Groups are made of the ${picks.all.filter((p) => here.has(p.id)).length} who are picked; the others stay with the class.`
            : 'Groups are made of everybody here. Pick students first to make groups of them alone.')}
      </p>
      <Complaint error={propose.error ?? look.error} />
      {newcomers.length > 0 && (
        <p className="m-0 mb-2 text-[14px]">
          {plural(newcomers.length, 'student')} {newcomers.length === 1 ? 'has' : 'have'} come since: propose again, and{' '}
          {newcomers.length === 1 ? 'that one is' : 'they are'} placed.
        </p>
      )}
      {onBoard && (
        <div className="grid grid-cols-1 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4 gap-x-6 gap-y-6">
          {board.groups.map((g, i) => (
            <GroupColumn
              // biome-ignore lint/suspicious/noArrayIndexKey: a group is its place on the board
              key={i}
              place={i}
              of={g}
              view={view}
              onChange={(part) =>
                setNow({
                  ...now,
                  board: { ...board, groups: board.groups.map((x, k) => (k === i ? { ...x, ...part } : x)) },
                })
              }
              onDrop={(student) => move(student, i)}
            >
              {g.students.map(seat)}
            </GroupColumn>
          ))}
          {rest.length > 0 && (
            <GroupColumn of={{ name: 'With the class', students: rest }} view={view} onDrop={(s) => move(s, undefined)}>
              {rest.map(seat)}
            </GroupColumn>
          )}
        </div>
      )}
      {keeping && (
        <KeepDialog
          board={board}
          fresh={wish.fresh}
          about={skill === undefined ? '' : (view.skills.find((s) => s.id === skill)?.name ?? '')}
          onClose={() => setKeeping(false)}
        />
      )}
    </>
  );
}
