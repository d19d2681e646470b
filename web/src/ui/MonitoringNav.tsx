import type { ReactNode } from 'react';
import { MONITORING } from '../lib/views';
import { SubNav } from './SubNav';

/** The pages of the Trends rung. */
export function MonitoringNav({ children }: { children?: ReactNode }) {
  return (
    <SubNav label="Trends" pages={MONITORING}>
      {children}
    </SubNav>
  );
}
