import { FIND } from '../../../lib/views';
import { SubNav } from '../../../ui/SubNav';

/** The pages of Find. */
export function FindNav() {
  return <SubNav label="Find" pages={FIND} />;
}
