import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** True while the page is drawn for paper, so that a list drawn in parts is whole there. Drawn at once: the printer does not wait. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(() => window.matchMedia('print').matches);
  useEffect(() => {
    const media = window.matchMedia('print');
    const set = (now: boolean) => flushSync(() => setPrinting(now));
    const change = () => set(media.matches);
    const before = () => set(true);
    const after = () => set(false);
    media.addEventListener('change', change);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      media.removeEventListener('change', change);
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return printing;
}
