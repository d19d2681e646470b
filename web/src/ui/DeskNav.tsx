import { DESK } from '../lib/views';
import { SubNav } from './SubNav';

/** The pages of the Desk. */
export function DeskNav() {
  return <SubNav label="Desk" pages={DESK} />;
}
