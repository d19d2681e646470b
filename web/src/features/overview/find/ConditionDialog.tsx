import { useId, useMemo, useState } from 'react';
import type { FindTerm, FindWords } from '../../../api/types';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { Complaint } from '../../../ui/States';
import { conditionText, type Draft, firstDraft, missing } from './condition';
import { useValues } from './queries';
import { TestFields } from './TestFields';
import { WhenFields } from './WhenFields';

/** Builds one condition: what is asked, of what, when, and what it must be. */
export function ConditionDialog({
  words,
  title,
  start,
  onDone,
  onClose,
}: {
  words: FindWords;
  title: string;
  /** A condition that is changed; otherwise a new one. */
  start?: { term: FindTerm; draft: Draft };
  onDone: (text: string) => void;
  onClose: () => void;
}) {
  const [term, setTerm] = useState(start?.term);
  const [draft, setDraft] = useState<Draft>(start?.draft ?? { about: '', when: '', test: '', negative: false });
  const [wrong, setWrong] = useState<Error | null>(null);
  const names = (noun: string | undefined) => words.names.find((n) => n.noun === noun)?.names ?? [];
  const values = useValues(term?.named === 'GROUPING_VALUE' ? draft.about.replace(/^"|"$/g, '') : undefined);
  const set = (part: Partial<Draft>) => {
    setWrong(null);
    setDraft((d) => ({ ...d, ...part }));
  };
  return (
    <Dialog open onClose={onClose} title={title} size="medium">
      {!term ? (
        <TermList
          words={words}
          onChoose={(t) => {
            setTerm(t);
            setDraft(firstDraft(t));
          }}
        />
      ) : (
        <form
          data-nothing-lost
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            const lacks = missing(term, draft);
            if (lacks) setWrong(new Error(lacks));
            else onDone(conditionText(term, draft));
          }}
        >
          <p className="m-0 text-[16px]">
            <span className="text-soft">{term.lead}</span> <b>{term.words}</b>{' '}
            <Button onClick={() => setTerm(undefined)}>Ask something else</Button>
          </p>
          {term.kind === 'yes-no' && (
            <label className="text-[14px] flex items-center gap-2">
              <input type="checkbox" checked={draft.negative} onChange={(e) => set({ negative: e.target.checked })} />{' '}
              the contrary: those of whom it is not so
            </label>
          )}
          {term.about && (
            <NameChoice
              term={term}
              names={names(term.about)}
              value={draft.about}
              onChange={(about) => set({ about })}
            />
          )}
          <WhenFields term={term} windows={names('WINDOW')} when={draft.when} onChange={(when) => set({ when })} />
          {term.kind !== 'yes-no' && (
            <TestFields
              term={term}
              names={term.named === 'GROUPING_VALUE' ? (values.data ?? []) : names(term.named)}
              test={draft.test}
              onChange={(test) => set({ test })}
            />
          )}
          <Complaint error={wrong} />
          <div className="flex gap-4">
            <Button look="solid" type="submit">
              {start ? 'Change it' : 'Add it'}
            </Button>
            <Button onClick={onClose}>Leave it</Button>
          </div>
        </form>
      )}
    </Dialog>
  );
}

function NameChoice({
  term,
  names,
  value,
  onChange,
}: {
  term: FindTerm;
  names: string[];
  value: string;
  onChange: (name: string) => void;
}) {
  const id = useId();
  const shown = (n: string) => n.replace(/^"|"$/g, '').replace(/""/g, '"');
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-[13px] text-soft">
        Of what?
      </label>
      <select id={id} value={value} onChange={(e) => onChange(e.target.value)} className="self-start max-w-full">
        <option value="">{term.needsAbout ? 'Choose' : 'of any'}</option>
        {names.map((n) => (
          <option key={n} value={n}>
            {shown(n)}
          </option>
        ))}
      </select>
      {names.length === 0 && <p className="m-0 text-soft text-[14px]">There is none on record yet.</p>}
    </div>
  );
}

function TermList({ words, onChoose }: { words: FindWords; onChoose: (term: FindTerm) => void }) {
  const [filter, setFilter] = useState('');
  const groups = useMemo(() => {
    const all = new Map<string, FindTerm[]>();
    for (const t of words.terms) {
      if (`${t.words} ${t.group}`.toLowerCase().includes(filter.trim().toLowerCase())) {
        all.set(t.group, [...(all.get(t.group) ?? []), t]);
      }
    }
    return [...all];
  }, [words, filter]);
  const first = groups[0]?.[1][0];
  return (
    <form
      data-nothing-lost
      onSubmit={(e) => {
        e.preventDefault();
        if (first) onChoose(first);
      }}
    >
      <input
        autoFocus
        aria-label="Search what can be asked"
        placeholder="Search, or choose below"
        value={filter}
        onChange={(e) => setFilter(e.target.value)}
        className="w-full"
      />
      <div className="grid grid-cols-1 sm:grid-cols-2 gap-x-8 mt-3 min-h-[420px] content-start">
        {groups.map(([group, terms]) => (
          <section key={group} className="mb-3">
            <h3 className="text-[13px] text-soft font-normal m-0 mb-0.5">{group}</h3>
            {terms.map((t) => (
              <button
                key={t.code}
                type="button"
                onClick={() => onChoose(t)}
                className="block w-full text-left text-[15px] leading-[26px] hover:text-act hover:bg-picked px-1 -mx-1"
              >
                {t.words}
              </button>
            ))}
          </section>
        ))}
        {groups.length === 0 && <p className="text-soft m-0">Nothing is called that.</p>}
      </div>
    </form>
  );
}
