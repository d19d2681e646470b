import { Volume2 } from 'lucide-react';
import type { SheetItem } from '../../../api/types';

/** The browser reads the question and what there is to choose, where it can. */
export function ReadAloud({ item }: { item: SheetItem }) {
  const speech = globalThis.speechSynthesis as SpeechSynthesis | undefined;
  if (!speech) return null;
  const words = [
    item.prompt,
    item.picture?.words,
    ...item.options.map((o) => o.text || o.picture?.words),
    ...item.targets.map((o) => o.text || o.picture?.words),
  ]
    .filter(Boolean)
    .join('. ');
  return (
    <button
      type="button"
      className="border-2 border-stile rounded-[8px] p-2.5 shrink-0"
      aria-label="Read it to me"
      title="Read it to me"
      onClick={() => {
        speech.cancel();
        speech.speak(new SpeechSynthesisUtterance(words));
      }}
    >
      <Volume2 size={26} aria-hidden />
    </button>
  );
}
