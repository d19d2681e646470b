import { type FormEvent, useRef, useState } from 'react';
import { signIn } from './queries';

/** Four words from a card. They may be typed into one line, as they stand on it. */
export function CardForm({ note, onIn }: { note?: string; onIn: () => Promise<void> }) {
  const [words, setWords] = useState('');
  const [wrong, setWrong] = useState<string>();
  const [busy, setBusy] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const typed = words.split(/[^a-zA-Z]+/).filter(Boolean);
  const go = async (e: FormEvent) => {
    e.preventDefault();
    if (typed.length < 4) {
      setWrong(`Type all four words. ${typed.length === 0 ? 'None' : `${typed.length}`} so far.`);
      field.current?.focus();
      return;
    }
    setBusy(true);
    setWrong(undefined);
    try {
      await signIn(typed.join(' '));
      await onIn();
    } catch (error) {
      setWrong((error as Error).message);
      field.current?.focus();
    } finally {
      setBusy(false);
    }
  };
  return (
    <main className="max-w-[560px] mx-auto p-4 sm:p-8">
      <h1 className="text-[28px] font-semibold m-0">My checks</h1>
      <form onSubmit={(e) => void go(e)} noValidate>
        {note && <p>{note}</p>}
        <label htmlFor="words" className="block mt-4 mb-1">
          Type the four words on your card
        </label>
        <input
          ref={field}
          id="words"
          className="w-full text-[24px] border-2 border-stile rounded-[8px] px-4 py-3 bg-paper"
          value={words}
          onChange={(e) => setWords(e.target.value)}
          autoCapitalize="none"
          autoComplete="off"
          autoCorrect="off"
          spellCheck={false}
          autoFocus
          aria-describedby="words-about"
          aria-invalid={wrong ? true : undefined}
        />
        <p
          id="words-about"
          role={wrong ? 'alert' : undefined}
          className={`m-0 mt-1 text-[18px] ${wrong ? 'text-danger' : 'text-soft'}`}
        >
          {wrong ?? 'With a space between them, like: boat moon kettle fox'}
        </p>
        <button
          type="submit"
          disabled={busy}
          className="mt-4 bg-act text-[var(--on-mark)] text-[22px] font-semibold rounded-[8px] px-8 py-3 disabled:opacity-60"
        >
          Go
        </button>
      </form>
    </main>
  );
}
