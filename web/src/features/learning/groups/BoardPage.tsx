import { isLost } from '../../../api/lost';
import { useAddress } from '../../../lib/address';
import { useScope } from '../../../lib/scope';
import { GroupsNav } from '../../../ui/GroupsNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { Board } from './Board';
import { useBoard } from './queries';

/** Groups for tomorrow: a sentence says how they are made; they are proposed, moved by hand and kept. */
export default function BoardPage() {
  const { scope } = useScope();
  const [params, setParams] = useAddress();
  const skill = params.get('skill') ? Number(params.get('skill')) : undefined;
  const board = useBoard(scope, skill);
  const choose = (s: number) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      next.set('skill', String(s));
      return next;
    });
  return (
    <>
      {!board.data && <GroupsNav />}
      {board.isPending && <Loading label="Setting up the board ..." />}
      {isLost(board) && <Failed error={board.error} again={() => board.refetch()} />}
      {board.data &&
        (board.data.students.length < 2 ? (
          <>
            <GroupsNav />
            <h1 className="sr-only">Groups for tomorrow</h1>
            <Empty title="Nobody to group">
              Groups are made of two students or more. Choose a class in the line at the top.
            </Empty>
          </>
        ) : (
          <Board key={`${scope.who} ${scope.year} ${scope.asOf}`} view={board.data} choose={choose} />
        ))}
    </>
  );
}
