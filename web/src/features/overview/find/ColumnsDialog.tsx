import { useState } from 'react';
import type { FindTerm, FindWords } from '../../../api/types';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { conditionText } from './condition';
import { WhenFields } from './WhenFields';

/** Which columns the table has: anything a criterion can speak of. */
export function ColumnsDialog({
  columns,
  words,
  onDone,
  onClose,
}: {
  columns: string[];
  words: FindWords;
  /** Undefined: those that the criterion speaks of. */
  onDone: (columns: string[] | undefined) => void;
  onClose: () => void;
}) {
  const [all, setAll] = useState(columns);
  const [term, setTerm] = useState<FindTerm>();
  const [about, setAbout] = useState('');
  const [when, setWhen] = useState('');
  const names = (noun: string | undefined) => words.names.find((n) => n.noun === noun)?.names ?? [];
  const add = () => {
    if (!term || (term.needsAbout && !about)) return;
    const text = conditionText({ ...term, kind: 'yes-no' }, { about, when, test: '', negative: false }).trim();
    setAll((now) => (now.includes(text) ? now : [...now, text]));
    setTerm(undefined);
    setAbout('');
    setWhen('');
  };
  return (
    <Dialog open onClose={onClose} title="Columns of the table" size="medium">
      <form
        data-nothing-lost
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          onDone(all);
        }}
      >
        <ol className="list-none m-0 p-0">
          {all.map((c, i) => (
            <li key={c} className="flex items-center gap-3 border-b border-hair min-h-8 text-[15px]">
              <span className="flex-1">{c}</span>
              <Button
                disabled={i === 0}
                aria-label={`Earlier: ${c}`}
                onClick={() =>
                  setAll((now) => now.map((x, k) => (k === i - 1 ? c : k === i ? (now[i - 1] as string) : x)))
                }
              >
                Earlier
              </Button>
              <Button aria-label={`Take out: ${c}`} onClick={() => setAll((now) => now.filter((x) => x !== c))}>
                Take out
              </Button>
            </li>
          ))}
        </ol>
        <fieldset className="border-0 p-0 m-0 flex flex-col gap-2">
          <legend className="text-[13px] text-soft p-0 mb-1">One more column</legend>
          <select
            aria-label="What it shows"
            value={term?.code ?? ''}
            onChange={(e) => setTerm(words.terms.find((t) => t.code === e.target.value))}
            className="self-start"
          >
            <option value="">Choose</option>
            {words.terms.map((t) => (
              <option key={t.code} value={t.code}>
                {t.words}
              </option>
            ))}
          </select>
          {term?.about && (
            <select
              aria-label="Of what"
              value={about}
              onChange={(e) => setAbout(e.target.value)}
              className="self-start max-w-full"
            >
              <option value="">{term.needsAbout ? 'Choose of what' : 'of any'}</option>
              {names(term.about).map((n) => (
                <option key={n} value={n}>
                  {n.replace(/^"|"$/g, '')}
                </option>
              ))}
            </select>
          )}
          {term && (
            <WhenFields
              term={{ ...term, times: term.times.filter((t) => t !== 'LAST_SCORES') }}
              windows={names('WINDOW')}
              when={when}
              onChange={setWhen}
            />
          )}
          {term && (
            <Button look="line" className="self-start" disabled={term.needsAbout && !about} onClick={add}>
              Add this column
            </Button>
          )}
        </fieldset>
        <div className="flex gap-4">
          <Button look="solid" type="submit">
            Show these
          </Button>
          <Button onClick={() => onDone(undefined)}>Those that the criterion speaks of</Button>
        </div>
      </form>
    </Dialog>
  );
}
