import type { ClassesView } from '../../../api/types';

interface Props {
  id?: string;
  value: string;
  teachers: ClassesView['teachers'];
  onChange: (value: string) => void;
}

/** One of the people, or nobody yet. */
export function TeacherChoice({ teachers, onChange, ...rest }: Props) {
  return (
    <select {...rest} onChange={(e) => onChange(e.target.value)}>
      <option value="">none yet</option>
      {teachers.map((t) => (
        <option key={t.id} value={t.id}>
          {t.name}
        </option>
      ))}
    </select>
  );
}
