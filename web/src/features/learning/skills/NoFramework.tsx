import { Link } from 'react-router';
import { useScope } from '../../../lib/scope';
import { Empty } from '../../../ui/States';

export function NoFramework() {
  const { link } = useScope();
  return (
    <>
      <h1 className="sr-only">Skills</h1>
      <Empty title="No skills are set up yet">
        A framework says which skills there are and in which order they are taught. It is typed under{' '}
        <Link to={link('/setup/skills')}>Setup, Skills</Link>, or comes as a file under{' '}
        <Link to={link('/records')}>Records</Link>; answers come from checks and from files.
      </Empty>
    </>
  );
}
