const COLOURS = ['', 'var(--teal)', 'var(--ochre)', 'var(--plum)'];

/** A tiny ladder of three rungs, lit as high as the student stands: three for tier 1, one for tier 3. */
export function TierMark({ tier, size = 14 }: { tier: number; size?: number }) {
  const t = Math.min(3, Math.max(1, tier));
  const colour = COLOURS[t];
  const quiet = t === 1;
  return (
    <svg
      width={(size * 11) / 15}
      height={size}
      viewBox="0 0 11 15"
      role="img"
      aria-label={`Tier ${tier}`}
      className="inline-block shrink-0"
    >
      <path d="M2 0V15M9 0V15" stroke={colour} strokeWidth={1} opacity={quiet ? 0.55 : 1} />
      {[0, 1, 2].map((k) => {
        const lit = k < 4 - t;
        return (
          <line
            key={k}
            x1={2}
            x2={9}
            y1={12 - 4 * k}
            y2={12 - 4 * k}
            stroke={lit ? colour : 'var(--stile)'}
            strokeWidth={lit ? (quiet ? 1.2 : 2.4) : 1}
          />
        );
      })}
    </svg>
  );
}

export function tierColour(tier: number | undefined): string {
  return tier ? (COLOURS[Math.min(3, tier)] as string) : 'var(--soft)';
}
