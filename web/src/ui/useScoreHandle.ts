import { type KeyboardEvent, type PointerEvent, useRef } from 'react';

interface Handle {
  /** From a height in the picture's own units to a score. */
  scoreAt: (height: number) => number;
  now: number;
  step: number;
  /** Where the Home and End keys go; absent where they do nothing. */
  ends?: [number, number];
  onMove: (score: number) => void;
  /** What Enter and Space do. */
  onPress?: () => void;
}

/** What a group in an SVG needs to be dragged up and down a score axis, or moved by keys. */
export function useScoreHandle({ scoreAt, now, step, ends, onMove, onPress }: Handle) {
  const dragging = useRef(false);
  return {
    onKeyDown: (e: KeyboardEvent) => {
      const by = {
        ArrowUp: step,
        ArrowRight: step,
        ArrowDown: -step,
        ArrowLeft: -step,
        PageUp: 10 * step,
        PageDown: -10 * step,
      }[e.key];
      if (by) onMove(now + by);
      else if (ends && e.key === 'Home') onMove(ends[0]);
      else if (ends && e.key === 'End') onMove(ends[1]);
      else if (onPress && (e.key === 'Enter' || e.key === ' ')) onPress();
      else return;
      e.preventDefault();
    },
    onPointerDown: (e: PointerEvent<SVGGElement>) => {
      dragging.current = true;
      e.currentTarget.setPointerCapture(e.pointerId);
      e.preventDefault();
      e.currentTarget.focus();
    },
    onPointerMove: (e: PointerEvent<SVGGElement>) => {
      const to = e.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
      if (dragging.current && to) onMove(scoreAt(new DOMPoint(e.clientX, e.clientY).matrixTransform(to).y));
    },
    onPointerUp: () => {
      dragging.current = false;
    },
  };
}
