import type { ReactNode } from 'react';
import { SKILLS } from '../lib/views';
import { SubNav } from './SubNav';

/** The pages of the Skills rung. */
export function SkillsNav({ children }: { children?: ReactNode }) {
  return (
    <SubNav label="Skills" pages={SKILLS}>
      {children}
    </SubNav>
  );
}
