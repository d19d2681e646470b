import { useEffect, useRef, useState } from 'react';
import { AnswerBox, type BoxState, type Waiting } from './answerBox';
import { answer } from './queries';

export interface Box {
  state: BoxState;
  count: number;
  refused: string | undefined;
  of: (giving: number) => Waiting[];
  put: (answer: Waiting) => void;
  flush: () => void;
}

/** The answers of one student on this device, for as long as the page is open. */
export function useAnswerBox(card: number): Box {
  const [, setTurn] = useState(0);
  const made = useRef<AnswerBox>(undefined);
  made.current ??= new AnswerBox(`ladder-answers-${card}`, localStorage, answer, () => setTurn((n) => n + 1));
  const box = made.current;
  useEffect(() => {
    const back = () => void box.flush();
    addEventListener('online', back);
    // A lid that was opened again.
    document.addEventListener('visibilitychange', back);
    return () => {
      removeEventListener('online', back);
      document.removeEventListener('visibilitychange', back);
      box.stop();
    };
  }, [box]);
  return {
    state: box.state,
    count: box.count,
    refused: box.refused,
    of: (giving) => box.of(giving),
    put: (a) => box.put(a),
    flush: () => void box.flush(),
  };
}
