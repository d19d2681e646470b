const HUES = ['var(--teal)', 'var(--ochre)', 'var(--plum)'];

/** How likely each tier is, as one small bar from the tier with most support at the left, like the scores on the Ladder; said in words for who does not see it. */
export function TierChances({ chances }: { chances: { tier: number; chance: number }[] }) {
  const parts = chances.filter((c) => c.chance >= 0.005).sort((a, b) => b.tier - a.tier);
  if (parts.length < 2) return null;
  const words = parts.map((p) => `tier ${p.tier} ${Math.round(100 * p.chance)} %`).join(', ');
  let from = 0;
  return (
    <svg width="76" height="14" viewBox="0 0 76 14" role="img" aria-label={words} className="align-middle">
      <title>{words}</title>
      {parts.map((p) => {
        const x = from * 76;
        from += p.chance;
        return (
          <g key={p.tier}>
            <rect
              x={x}
              y={1}
              width={Math.max(0, p.chance * 76 - 1)}
              height={12}
              fill={p.tier === 1 ? 'none' : HUES[Math.min(p.tier, 3) - 1]}
              stroke={HUES[Math.min(p.tier, 3) - 1]}
            />
            {p.chance > 0.16 && (
              <text
                x={x + (p.chance * 76) / 2}
                y={10.5}
                fontSize="9.5"
                textAnchor="middle"
                fill={p.tier === 1 ? 'var(--ink)' : 'var(--on-mark)'}
              >
                {p.tier}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
