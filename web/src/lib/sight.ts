import type { RoleSight } from '../api/types';

/** What can be hidden from a role, as it is called; what one wrote oneself of the first four stays visible. */
export const SIGHT: Record<RoleSight['what'], string> = {
  notes: 'Notes in the folder',
  files: 'Files in the folder',
  groupings: 'Supports and other groupings',
  contacts: 'Calls, talks and letters',
  home: 'People at home',
  attendance: 'Days absent and late',
  time: 'Time and actions in programs',
  work: 'Pieces of work and marks',
  skills: 'Skills and answers',
  tiers: 'Decided tiers',
  plans: 'Concerns and plans',
};

/** Of these one's own entries stay visible where those of others are hidden. */
export const OWN_SEEN: RoleSight['what'][] = ['notes', 'files', 'contacts'];
