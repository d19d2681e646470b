import { useContext } from 'react';
import { Link, useLocation } from 'react-router';
import { ScopeContext } from '../lib/scope';
import { useOwnTitle } from '../lib/useTitle';
import { Empty } from '../ui/States';

/** An address that leads nowhere. */
export function NotFound() {
  const state = useContext(ScopeContext);
  const { pathname } = useLocation();
  useOwnTitle('No such page');
  return (
    <Empty title="There is no such page">
      <p className="m-0">
        Nothing is found at {pathname}. Perhaps the address was cut off when it was copied.{' '}
        <Link to={state ? state.link('/desk') : '/'} className="text-act">
          Go to the Desk
        </Link>
        , or find a student, a class or a view with Ctrl K.
      </p>
    </Empty>
  );
}
