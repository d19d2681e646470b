import { useEffect, useState } from 'react';

/** True while the page is drawn for paper, so that a list drawn in parts is whole there. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const media = window.matchMedia('print');
    const change = () => setPrinting(media.matches);
    media.addEventListener('change', change);
    return () => media.removeEventListener('change', change);
  }, []);
  return printing;
}
