import { type RefCallback, useCallback, useRef, useState } from 'react';

/** Below this share of its design a chart would be scaled to letters that nobody can read. */
const LEAST_SCALE = 0.8;
const NARROWEST = 240;

/** The width to draw in: as designed where it nearly fits, else the width there is, so that letters and marks keep their size. */
export function drawnWidth(design: number, room: number): number {
  return room <= 0 || room >= design * LEAST_SCALE ? design : Math.max(NARROWEST, Math.floor(room));
}

/** Follows the width of the element that the reference is given to. */
export function useDrawnWidth<E extends Element>(design: number): [RefCallback<E>, number] {
  const [width, setWidth] = useState(design);
  const watching = useRef<ResizeObserver>(undefined);
  const ref = useCallback(
    (element: E | null) => {
      watching.current?.disconnect();
      const place = element?.parentElement;
      if (!place) return;
      const measure = () => setWidth(drawnWidth(design, place.clientWidth));
      measure();
      if (typeof ResizeObserver === 'undefined') return;
      watching.current = new ResizeObserver(measure);
      watching.current.observe(place);
    },
    [design],
  );
  return [ref, width];
}
