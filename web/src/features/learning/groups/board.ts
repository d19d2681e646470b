import type { MetAgain, Proposed } from '../../../api/types';

/** A group on the board. */
export interface OnBoard {
  name: string;
  /** Typed by hand, so that it stays when students move. */
  named: boolean;
  leader: string;
  atTime: string;
  shares: string;
  students: number[];
  again: MetAgain[];
}

export interface BoardState {
  groups: OnBoard[];
  /** Students who stay where they are when groups are proposed again. */
  stays: number[];
  /** Students who are with the class, in no group. */
  rest: number[];
}

export const EMPTY: BoardState = { groups: [], stays: [], rest: [] };

/** What was proposed, with the leaders and times that were typed for the groups of the same place. */
export function proposed(before: BoardState, found: Proposed, rest: number[]): BoardState {
  return {
    groups: found.groups.map((g, i) => {
      const was = before.groups[i];
      return {
        name: was?.named ? was.name : g.name,
        named: was?.named ?? false,
        leader: was?.leader ?? '',
        atTime: was?.atTime ?? '',
        shares: g.shares,
        students: g.students,
        again: g.again,
      };
    }),
    stays: before.stays.filter((s) => !rest.includes(s)),
    rest,
  };
}

/** A student in another group, or with the class where {@code to} is undefined. A new group comes at the end. */
export function moved(board: BoardState, student: number, to: number | undefined): BoardState {
  const groups = board.groups.map((g, i) => {
    const without = g.students.filter((s) => s !== student);
    return { ...g, students: i === to ? [...without, student] : without };
  });
  if (to !== undefined && to >= groups.length) {
    groups.push({
      name: `Group ${groups.length + 1}`,
      named: true,
      leader: '',
      atTime: '',
      shares: '',
      students: [student],
      again: [],
    });
  }
  const rest = board.rest.filter((s) => s !== student);
  return { ...board, groups, rest: to === undefined ? [...rest, student] : rest };
}

/** What the server says of groups that were moved by hand; groups with nobody in them have nothing to say. */
export function looked(board: BoardState, found: Proposed): BoardState {
  const filled = board.groups.filter((g) => g.students.length > 0);
  const told = new Map(filled.map((g, i) => [g, found.groups[i]]));
  return {
    ...board,
    groups: board.groups.map((g) => {
      const now = told.get(g);
      return now
        ? { ...g, name: g.named ? g.name : now.name, shares: now.shares, again: now.again, students: now.students }
        : { ...g, shares: '', again: [] };
    }),
  };
}

/** Where a student sits: the place of the group, or undefined with the class. */
export function placeOf(board: BoardState, student: number): number | undefined {
  const i = board.groups.findIndex((g) => g.students.includes(student));
  return i < 0 ? undefined : i;
}
