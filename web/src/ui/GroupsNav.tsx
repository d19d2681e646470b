import type { ReactNode } from 'react';
import { GROUPS } from '../lib/views';
import { SubNav } from './SubNav';

/** The pages of the Groups rung. */
export function GroupsNav({ children }: { children?: ReactNode }) {
  return (
    <SubNav label="Groups" pages={GROUPS}>
      {children}
    </SubNav>
  );
}
