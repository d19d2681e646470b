import type { FileTurn } from '../../api/types';
import { percent, plural } from '../../lib/format';

/** Where a file is that somebody waits for. Before it is in line it is still being sent. */
export function turnWords(turn: FileTurn | undefined, doing: 'reading' | 'saving', name: string): string {
  if (turn?.any && turn.ahead != null) {
    return turn.ahead === 0
      ? 'Other files are being read. Yours is next.'
      : `Other files are being read, and ${plural(turn.ahead, 'file')} ${turn.ahead === 1 ? 'waits' : 'wait'} before yours.`;
  }
  if (turn?.step === 'checking') return `Checking ${name} against the records ...`;
  if (turn?.step === 'saving') return `Saving ${name} ...`;
  if (turn?.step === 'reading')
    return turn.share == null ? `Reading ${name} ...` : `Reading ${name}: ${percent(turn.share)}`;
  return doing === 'reading' ? `Sending ${name} ...` : 'Saving ...';
}
