import { useState } from 'react';
import { useScope } from '../../lib/scope';

/** The school that a page of Setup is about: the first of one's own, or the one chosen. */
export function useSchool() {
  const { choices } = useScope();
  const schools = new Map(choices.classes.map((c) => [c.schoolId, c.schoolName]));
  const [chosen, setChosen] = useState<number>();
  return { schools, school: chosen ?? [...schools.keys()][0], setChosen };
}

/** A page's name, with the school to choose where there are several. */
export function SchoolHeading({ title, of }: { title: string; of: ReturnType<typeof useSchool> }) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-1">
      <h1 className="text-[15px] font-semibold m-0">{title}</h1>
      {of.schools.size > 1 && (
        <select
          aria-label="School"
          value={of.school}
          onChange={(e) => of.setChosen(Number(e.target.value))}
          className="py-0!"
        >
          {[...of.schools].map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}
