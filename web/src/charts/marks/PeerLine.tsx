import type { PeerMedian } from '../../api/types';
import { dayNumber } from '../../lib/format';
import type { Scales } from '../scales';

/** Median of the class, window by window, as a thin line. */
export function PeerLine({ peers, scales }: { peers: PeerMedian[]; scales: Scales }) {
  const points = peers.map((p) => `${scales.x(dayNumber(p.date))},${scales.y(p.median)}`).join(' ');
  return <polyline points={points} fill="none" stroke="var(--stile)" strokeWidth={1.4} />;
}
