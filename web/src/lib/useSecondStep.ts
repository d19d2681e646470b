import { useState } from 'react';
import { Problem } from '../api/client';

/** Whether a sign-in was answered with asking for a code; `answered` is told what came back, null where it went well. */
export function useSecondStep() {
  const [code, setCode] = useState('');
  const [wanted, setWanted] = useState(false);
  const [wrong, setWrong] = useState<string>();
  return {
    wanted,
    wrong,
    code: wanted ? code : undefined,
    setCode,
    /** @returns what is still to be told otherwise */
    answered(error: Error | null): Error | null {
      const kind = error instanceof Problem ? error.kind : undefined;
      if (kind === 'code-wanted' || kind === 'code-wrong') {
        setWanted(true);
        setCode('');
        setWrong(kind === 'code-wrong' ? error?.message : undefined);
        return null;
      }
      setWrong(undefined);
      if (!error) {
        setWanted(false);
        setCode('');
      }
      return error;
    },
  };
}
