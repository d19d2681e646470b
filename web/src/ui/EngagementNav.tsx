import type { ReactNode } from 'react';
import { ENGAGEMENT } from '../lib/views';
import { SubNav } from './SubNav';

/** The pages of the Engagement rung. */
export function EngagementNav({ children }: { children?: ReactNode }) {
  return (
    <SubNav label="Engagement" pages={ENGAGEMENT}>
      {children}
    </SubNav>
  );
}
