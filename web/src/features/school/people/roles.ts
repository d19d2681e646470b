import type { AccountPerson, PeopleRole } from '../../../api/types';
import { longDay } from '../../../lib/format';

export const ROLES: Record<PeopleRole, string> = {
  teacher: 'Teacher: own classes',
  interventionist: 'Interventionist: own caseload',
  coordinator: 'Coordinator: the whole school',
  administrator: 'Administrator: everything',
};

/** A role beside the first, in words. */
export function besides(r: AccountPerson['beside'][number], schools: { id: number; name: string }[]): string {
  const at = schools.find((s) => s.id === r.schoolId)?.name;
  return `${r.role}${at ? ` at ${at}` : ''} from ${longDay(r.starts)}${r.ends ? ` to ${longDay(r.ends)}` : ''}`;
}
