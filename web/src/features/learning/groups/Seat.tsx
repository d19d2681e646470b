import { Popover } from 'radix-ui';
import { type KeyboardEvent, useState } from 'react';
import type { BoardStudent, BoardView } from '../../../api/types';
import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { SkillMark, STATES } from '../../../ui/SkillMark';
import { type BoardState, placeOf } from './board';
import { PairForm } from './PairForm';

interface Props {
  of: BoardStudent;
  view: BoardView;
  board: BoardState;
  onMove: (to: number | undefined) => void;
  stays: boolean;
  onStay: (on: boolean) => void;
}

export const DRAGGED = 'application/x-ladder-student';

/** A student in a group: dragged, moved by m and the group's number, or by what opens. */
export function Seat({ of, view, board, onMove, stays, onStay }: Props) {
  const { nameOf } = useNames();
  const { live } = useScope();
  const [open, setOpen] = useState(false);
  const [moving, setMoving] = useState(false);
  const at = placeOf(board, of.student.id);
  const name = nameOf(of.student);
  const keys = (e: KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === 'm') {
      e.preventDefault();
      setMoving(true);
    } else if (moving && /^\d$/.test(e.key)) {
      e.preventDefault();
      setMoving(false);
      const to = Number(e.key);
      if (to === 0) onMove(undefined);
      else if (to <= board.groups.length + 1) onMove(to - 1);
    } else if (e.key === 'Escape') {
      setMoving(false);
    }
  };
  return (
    <li className="flex items-center gap-x-2 h-[30px]">
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
          draggable
          onDragStart={(e) => {
            e.dataTransfer.setData(DRAGGED, String(of.student.id));
            e.dataTransfer.effectAllowed = 'move';
          }}
          onKeyDown={keys}
          onBlur={() => setMoving(false)}
          title="Drag, or press m and a group's number"
          aria-label={`${name}${of.state ? `, ${STATES[of.state]}` : ''}${stays ? ', stays' : ''}`}
          className="flex items-center gap-x-2 text-left hover:text-act cursor-grab min-h-[28px]"
        >
          {of.state && <SkillMark state={of.state} />}
          {name}
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="start"
            sideOffset={4}
            collisionPadding={8}
            aria-label={name}
            className="arrives z-40 bg-paper border border-line shadow-lg py-2 px-4 w-72 max-h-[75vh] overflow-auto text-[14px]"
          >
            <b className="font-semibold">{name}</b>
            <div className="flex flex-col items-start my-1">
              {board.groups.map((g, i) =>
                i === at ? null : (
                  <Button
                    // biome-ignore lint/suspicious/noArrayIndexKey: a group is its place on the board
                    key={i}
                    className="py-0.5!"
                    onClick={() => {
                      setOpen(false);
                      onMove(i);
                    }}
                  >
                    To {i + 1}: {g.name}
                  </Button>
                ),
              )}
              <Button
                className="py-0.5!"
                onClick={() => {
                  setOpen(false);
                  onMove(board.groups.length);
                }}
              >
                To a new group
              </Button>
              {at !== undefined && (
                <Button
                  className="py-0.5!"
                  onClick={() => {
                    setOpen(false);
                    onMove(undefined);
                  }}
                >
                  Back to the class
                </Button>
              )}
            </div>
            {at !== undefined && (
              <label className="flex gap-2 items-center border-t border-hair py-1.5">
                <input type="checkbox" checked={stays} onChange={(e) => onStay(e.target.checked)} /> stays when groups
                are proposed again
              </label>
            )}
            {live && (
              <div className="border-t border-hair">
                <PairForm view={view} first={of.student.id} onDone={() => setOpen(false)} />
              </div>
            )}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {moving && (
        <span className="text-act text-[13px]" role="status">
          to which number?
        </span>
      )}
      {stays && <span className="ml-auto text-soft text-[13px]">stays</span>}
    </li>
  );
}
