import type { SkillState } from '../api/types';

/** The states in the order in which they are drawn, in words. */
export const STATES: Record<SkillState, string> = {
  secure: 'secure',
  shaky: 'shaky',
  'not-yet': 'not yet',
  'too-few': 'too few answers',
  'not-tried': 'not tried',
};

export const STATE_COLOURS: Record<SkillState, string> = {
  secure: 'var(--teal)',
  shaky: 'var(--ochre)',
  'not-yet': 'var(--plum)',
  'too-few': 'var(--soft)',
  'not-tried': 'var(--soft)',
};

/** A student on a skill: full is secure, half is shaky, a ring is not yet, a dot is too few answers, a dash is not tried. */
export function SkillMark({ state, size = 12 }: { state: SkillState; size?: number }) {
  const colour = STATE_COLOURS[state];
  return (
    <svg width={size} height={size} viewBox="0 0 12 12" aria-hidden className="inline-block shrink-0">
      {state === 'secure' && <circle cx={6} cy={6} r={5.5} fill={colour} />}
      {state === 'shaky' && (
        <>
          <circle cx={6} cy={6} r={5} fill="var(--paper)" stroke={colour} strokeWidth={1.3} />
          <path d="M1 6a5 5 0 0 0 10 0z" fill={colour} />
        </>
      )}
      {state === 'not-yet' && <circle cx={6} cy={6} r={4.9} fill="var(--paper)" stroke={colour} strokeWidth={1.6} />}
      {state === 'too-few' && <circle cx={6} cy={7.5} r={1.8} fill={colour} />}
      {state === 'not-tried' && <path d="M2 10.2H10" stroke={colour} strokeWidth={1.2} />}
    </svg>
  );
}

/** What the marks mean. */
export function SkillKey() {
  return (
    <span className="flex flex-wrap gap-x-4 text-[12.5px] text-soft">
      {(Object.keys(STATES) as SkillState[]).map((s) => (
        <span key={s} className="inline-flex items-center gap-1.5">
          <SkillMark state={s} />
          {STATES[s]}
        </span>
      ))}
    </span>
  );
}
