import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useChange } from '../../api/changes';
import { api, data } from '../../api/client';
import { isLost } from '../../api/lost';
import type { PrintWords, PrintWordsForm as Words } from '../../api/types';
import { plural } from '../../lib/format';
import { useUnsaved } from '../../lib/unsaved';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { FormButtons } from '../../ui/FormButtons';
import { Complaint, Failed, Loading } from '../../ui/States';

/** The fixed words of printed pages in the school's other language, beside the English. */
export function PrintWordsForm({ school, schoolName }: { school: number; schoolName: string | undefined }) {
  const words = useQuery({
    queryKey: ['records', 'print-words', school],
    queryFn: () => data(api.GET('/api/prints/words', { params: { query: { school } } })),
  });
  const [open, setOpen] = useState(false);
  return (
    <section aria-labelledby="print-words" className="max-w-[760px] mt-8">
      <h2 id="print-words" className="text-[17px] font-[650] tracking-tight m-0">
        Words of printed pages{schoolName && `, ${schoolName}`}
      </h2>
      <p className="text-soft mt-0.5 mb-3">
        Pages for home and for the meeting have fixed words in English. Here they are given in one more language; what
        has no words yet stays English.
      </p>
      {words.isPending && <Loading label="Opening the words ..." height={60} />}
      {isLost(words) && <Failed error={words.error} again={() => words.refetch()} />}
      {words.data && !open && (
        <>
          <p className="m-0">
            {words.data.name ? `${words.data.name}: ${howFar(words.data)}` : 'No other language yet.'}
          </p>
          {words.data.mayChange && (
            <Button look="line" className="no-print mt-2" onClick={() => setOpen(true)}>
              {words.data.name ? 'Change the words' : 'Add a language'}
            </Button>
          )}
        </>
      )}
      {words.data && open && <Form words={words.data} onClose={() => setOpen(false)} />}
    </section>
  );
}

function howFar({ missing, phrases }: PrintWords): string {
  return missing === 0
    ? 'every phrase has its words.'
    : `${plural(missing, 'phrase')} of ${phrases.length} still in English.`;
}

function Form({ words, onClose }: { words: PrintWords; onClose: () => void }) {
  const [name, setName] = useState(words.name ?? '');
  const [tag, setTag] = useState(words.tag ?? '');
  const [typed, setTyped] = useState<Record<string, string>>(
    Object.fromEntries(words.phrases.map((p) => [p.phrase, p.words ?? ''])),
  );
  const saved = useRef(false);
  const changed =
    name !== (words.name ?? '') ||
    tag !== (words.tag ?? '') ||
    words.phrases.some((p) => typed[p.phrase] !== (p.words ?? ''));
  useUnsaved(() => changed && !saved.current);
  const keep = useChange((body: Words) =>
    data(api.PUT('/api/prints/words', { params: { query: { school: words.school } }, body })),
  );
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(
          { name, tag, phrases: words.phrases.map((p) => ({ phrase: p.phrase, words: typed[p.phrase] ?? '' })) },
          {
            onSuccess: () => {
              saved.current = true;
              onClose();
            },
          },
        );
      }}
    >
      <div className="grid grid-cols-1 sm:grid-cols-2 gap-4 max-w-[520px]">
        <Field label="The language, as people there call it">
          <input autoFocus required maxLength={60} value={name} onChange={(e) => setName(e.target.value)} />
        </Field>
        <Field label="Its short form" hint="As in es, uk or pt-BR: it tells reading aloud which voice to take.">
          <input required maxLength={30} value={tag} onChange={(e) => setTag(e.target.value)} />
        </Field>
      </div>
      <p className="m-0 text-soft text-[14px]">
        What stands in curly brackets is put in when it is printed; keep those as they are.
      </p>
      <ul className="list-none m-0 p-0 grid gap-2">
        {words.phrases.map((p) => (
          <li
            key={p.phrase}
            className="grid grid-cols-1 sm:grid-cols-2 gap-x-4 gap-y-0.5 items-center border-t border-hair pt-1.5"
          >
            <label htmlFor={`phrase-${p.phrase}`} className="text-[14.5px]">
              {p.english}
            </label>
            <input
              id={`phrase-${p.phrase}`}
              lang={tag || undefined}
              maxLength={300}
              value={typed[p.phrase] ?? ''}
              onChange={(e) => setTyped((now) => ({ ...now, [p.phrase]: e.target.value }))}
            />
          </li>
        ))}
      </ul>
      <Complaint error={keep.error} />
      <FormButtons
        verb={keep.isPending ? 'Saving ...' : 'Save the words'}
        disabled={keep.isPending}
        onCancel={onClose}
      />
    </form>
  );
}
