import { STATUSES } from './status';

/** The options of a select for what happened. */
export function StatusOptions() {
  return STATUSES.map((s) => (
    <option key={s.value} value={s.value}>
      {s.label}
    </option>
  ));
}
