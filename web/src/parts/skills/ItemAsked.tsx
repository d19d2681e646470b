import type { Item } from '../../api/types';
import { percent } from '../../lib/format';

/** What stands in a cell for an answer: the choice's own text, else what was written. */
export function answerWords(item: Item, answer: string | undefined): string {
  if (answer === undefined) return '';
  const option = item.body.options.find((o) => o.id.toLowerCase() === answer.toLowerCase());
  return item.kind === 'choice' && option ? option.text : answer;
}

/** The right answers in words. */
export function keyWords(item: Item): string {
  return item.keys
    .filter((k) => k.share >= 1)
    .map((k) => answerWords(item, k.answer))
    .join(' or ');
}

/** An item as it was asked, with what answers to it show. */
export function ItemAsked({ item, right, answers }: { item: Item; right?: number; answers?: number }) {
  const shows = item.keys.filter((k) => k.shows);
  return (
    <div className="text-[14px]">
      <p className="m-0 font-semibold whitespace-pre-line">{item.prompt}</p>
      {item.body.options.length > 0 && (
        <ul className="list-none m-0 mt-0.5 p-0 flex flex-wrap gap-x-4">
          {item.body.options.map((o) => {
            const key = item.keys.find((k) => k.answer.toLowerCase() === o.id.toLowerCase());
            return (
              <li key={o.id} className={key && key.share >= 1 ? 'text-teal font-semibold' : ''}>
                {o.id} {o.text}
              </li>
            );
          })}
        </ul>
      )}
      {item.body.options.length === 0 && keyWords(item) && <p className="m-0 text-teal">Right: {keyWords(item)}</p>}
      {shows.map((k) => (
        <p key={k.answer} className="m-0 text-soft">
          {answerWords(item, k.answer)}: {k.shows}
        </p>
      ))}
      {right !== undefined && answers !== undefined && answers > 0 && (
        <p className="m-0 text-soft">
          {percent(right)} of the points, {answers} {answers === 1 ? 'answer' : 'answers'} here
        </p>
      )}
    </div>
  );
}
