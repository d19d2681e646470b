import type { ReactNode } from 'react';
import { SubNav } from './SubNav';
import { MONITORING } from './views';

/** The pages of the Trends rung. */
export function MonitoringNav({ children }: { children?: ReactNode }) {
  return (
    <SubNav label="Trends" pages={MONITORING}>
      {children}
    </SubNav>
  );
}
