import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import type { DraftOption, ItemDraft } from './itemDraft';
import { PictureField } from './PictureField';
import { LETTERS } from './words';

interface Props {
  draft: ItemDraft;
  set: (part: Partial<ItemDraft>) => void;
  school: number;
}

/** What can be answered, by the kind of the item. */
export function ItemAnswers(props: Props) {
  const { kind } = props.draft;
  if (kind === 'written')
    return (
      <p className="m-0 text-soft text-[14px]">
        Each answer waits for your word: what one is worth, all who wrote the same earn.
      </p>
    );
  return kind === 'text' || kind === 'number' ? <Words {...props} /> : <Options {...props} />;
}

function Options({ draft: d, set, school }: Props) {
  const change = (at: number, part: Partial<DraftOption>) =>
    set({
      options: d.options.map((o, n) =>
        n === at ? { ...o, ...part } : part.right && d.kind === 'choice' ? { ...o, right: false } : o,
      ),
    });
  const move = (at: number, by: number) => {
    const next = [...d.options];
    const [it] = next.splice(at, 1);
    if (it) next.splice(at + by, 0, it);
    set({ options: next });
  };
  return (
    <fieldset className="border-0 m-0 p-0">
      <legend className="text-[13px] text-soft">
        {d.kind === 'order'
          ? 'In the right order; students get them mixed'
          : d.kind === 'match'
            ? 'What is matched, and with what'
            : 'To choose from; tick what is right'}
      </legend>
      {d.kind === 'match' && (
        <div className="flex flex-wrap gap-2 mb-2">
          {d.targets.map((t, n) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: targets are known by their place
            <label key={n} className="flex gap-1 items-center text-[14px]">
              {n + 1}
              <input
                className="w-28"
                maxLength={500}
                aria-label={`Matched with ${n + 1}`}
                value={t}
                onChange={(e) => set({ targets: d.targets.map((x, i) => (i === n ? e.target.value : x)) })}
              />
            </label>
          ))}
          {d.targets.length < LETTERS.length && (
            <Button onClick={() => set({ targets: [...d.targets, ''] })}>One more</Button>
          )}
        </div>
      )}
      <ul className="list-none m-0 p-0 flex flex-col gap-1.5">
        {d.options.map((o, n) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: options are known by their place
          <li key={n} className="flex flex-wrap gap-2 items-center">
            {(d.kind === 'choice' || d.kind === 'choices') && (
              <input
                type={d.kind === 'choice' ? 'radio' : 'checkbox'}
                name="right"
                aria-label={`${LETTERS[n]} is right`}
                checked={o.right}
                onChange={(e) => change(n, { right: e.target.checked })}
              />
            )}
            <span className="w-4 text-soft">{d.kind === 'order' ? n + 1 : LETTERS[n]}</span>
            <input
              className="flex-1 min-w-[140px]"
              maxLength={500}
              aria-label={d.kind === 'order' ? `Line ${n + 1}` : `Choice ${LETTERS[n]}`}
              value={o.text}
              onChange={(e) => change(n, { text: e.target.value })}
            />
            {d.kind === 'match' && (
              <Choice
                aria-label={`${LETTERS[n]} goes with`}
                value={`${o.target}`}
                options={{
                  '-1': 'nothing yet',
                  ...Object.fromEntries(d.targets.map((t, i) => [`${i}`, t || `${i + 1}`])),
                }}
                onChange={(t) => change(n, { target: Number(t) })}
              />
            )}
            {d.kind === 'order' && (
              <>
                <Button disabled={n === 0} aria-label={`Line ${n + 1} up`} onClick={() => move(n, -1)}>
                  Up
                </Button>
                <Button
                  disabled={n === d.options.length - 1}
                  aria-label={`Line ${n + 1} down`}
                  onClick={() => move(n, 1)}
                >
                  Down
                </Button>
              </>
            )}
            {(d.kind === 'choice' || d.kind === 'choices') && !o.right && (
              <input
                className="flex-1 min-w-[160px]"
                maxLength={200}
                placeholder="the mistake it shows, if any"
                aria-label={`The mistake that ${LETTERS[n]} shows`}
                value={o.shows}
                onChange={(e) => change(n, { shows: e.target.value })}
              />
            )}
            <PictureField
              school={school}
              picture={o.picture}
              small
              what={`A picture for ${LETTERS[n]}`}
              onChange={(picture) => change(n, { picture })}
            />
          </li>
        ))}
      </ul>
      {d.options.length < LETTERS.length && (
        <Button onClick={() => set({ options: [...d.options, { text: '', right: false, shows: '', target: -1 }] })}>
          {d.kind === 'order' ? 'One more line' : 'One more choice'}
        </Button>
      )}
    </fieldset>
  );
}

function Words({ draft: d, set }: Props) {
  const change = (at: number, part: Partial<ItemDraft['answers'][number]>) =>
    set({ answers: d.answers.map((a, n) => (n === at ? { ...a, ...part } : a)) });
  return (
    <fieldset className="border-0 m-0 p-0">
      <legend className="text-[13px] text-soft">
        Answers that are known; large or small letters and spaces make no difference, and what nobody foresaw is shown
        to you once
      </legend>
      <ul className="list-none m-0 p-0 flex flex-col gap-1.5">
        {d.answers.map((a, n) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: answers are known by their place
          <li key={n} className="flex flex-wrap gap-2 items-center">
            <input
              className="w-40"
              maxLength={500}
              inputMode={d.kind === 'number' ? 'decimal' : 'text'}
              aria-label={`Answer ${n + 1}`}
              value={a.answer}
              onChange={(e) => change(n, { answer: e.target.value })}
            />
            <Choice
              aria-label={`Answer ${n + 1} is`}
              value={`${a.share}`}
              options={{
                '1': 'right',
                '0.5': 'half right',
                '0': 'wrong',
                ...(['1', '0.5', '0'].includes(`${a.share}`) ? {} : { [`${a.share}`]: `${a.share} of the points` }),
              }}
              onChange={(s) => change(n, { share: Number(s) })}
            />
            {a.share < 1 && (
              <input
                className="flex-1 min-w-[160px]"
                maxLength={200}
                placeholder="the mistake it shows, if any"
                aria-label={`The mistake that answer ${n + 1} shows`}
                value={a.shows}
                onChange={(e) => change(n, { shows: e.target.value })}
              />
            )}
          </li>
        ))}
      </ul>
      <Button
        onClick={() =>
          set({ answers: [...d.answers, { answer: '', share: d.answers.length === 0 ? 1 : 0, shows: '' }] })
        }
      >
        One more answer
      </Button>
    </fieldset>
  );
}
