import { Link } from 'react-router';
import { notScreened, quoted, underStandard } from '../../../lib/criterion';
import { useScope } from '../../../lib/scope';

/** Questions that are asked often, to begin with. */
export function Beginnings() {
  const { scope, choices, link } = useScope();
  const begun = choices.windows.filter((w) => w.yearId === scope.year && w.starts <= scope.asOf);
  const window = begun.sort((a, b) => a.starts.localeCompare(b.starts)).at(-1)?.name;
  const measure = choices.measures.find((m) => m.id === scope.measure);
  const area = measure?.area ?? '';
  const whole = choices.measures.filter((m) => m.partOf === undefined).map((m) => m.name);
  const all: { words: string; ask: Record<string, string> }[] = [
    ...(window && measure
      ? [
          { words: `Who did not take ${measure.name} in ${window}, and why`, ask: notScreened(measure.name, window) },
          {
            words: `Who did not reach the best tier on one or more tests in ${window}`,
            ask: underStandard(whole, window),
          },
        ]
      : []),
    {
      words: `Tier 3 in ${area} and no plan that runs`,
      ask: { criterion: `tier in ${quoted(area)} is 3 and no running plan in ${quoted(area)}` },
    },
    { words: 'A decision is due', ask: { criterion: 'decision due' } },
    {
      words: 'Often away, and nobody at home was reached in four weeks',
      ask: { criterion: 'share of days absent is at least 10 % and no contact with home in the last 4 weeks' },
    },
    {
      words: `Has no goal in ${measure?.name ?? ''} and gained little this year`,
      ask: {
        criterion: `no goal in ${quoted(measure?.name ?? '')} and gain in ${quoted(measure?.name ?? '')} is under 10`,
      },
    },
  ];
  return (
    <section aria-labelledby="beginnings" className="no-print mt-4">
      <h2 id="beginnings" className="text-[14px] text-soft font-normal m-0 mb-1">
        Or begin with a question
      </h2>
      <ul className="list-none m-0 p-0">
        {all.map((b) => (
          <li key={b.words}>
            <Link
              to={link('/find', b.ask)}
              className="text-act font-semibold text-[14.5px] leading-7 no-underline hover:underline"
            >
              {b.words}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
