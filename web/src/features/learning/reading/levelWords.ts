import type { ReadingHome } from '../../../api/types';
import { percent } from '../../../lib/format';

/** 'With help from 90 % right and 70 % understood'; the last level, which takes everyone else: 'Too hard for now below that'. */
export function levelWords(level: ReadingHome['levels'][number]): string {
  if (level.accuracy === 0 && level.comprehension === 0) return `${level.name} below that`;
  return `${level.name} from ${percent(level.accuracy)} right${level.comprehension > 0 ? ` and ${percent(level.comprehension)} understood` : ''}`;
}
