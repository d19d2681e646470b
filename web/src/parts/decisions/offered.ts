import type { DecisionKind, ProposalKind } from '../../api/types';

/** What can be decided, in words. */
export const LABELS: Record<DecisionKind, string> = {
  hold: 'Hold course',
  raise: 'Raise the goal',
  'plan-changed': 'Change the plan',
  'set-aside': 'Set aside',
};

/** All that can be decided, the proposed step first and the least likely last. */
export function offered(proposed: ProposalKind | undefined): { kind: DecisionKind; label: string }[] {
  const order: DecisionKind[] =
    proposed === 'raise' || proposed === 'met'
      ? ['raise', 'hold', 'set-aside', 'plan-changed']
      : proposed === 'hold' || proposed === 'too-soon'
        ? ['hold', 'plan-changed', 'raise', 'set-aside']
        : ['plan-changed', 'hold', 'set-aside', 'raise'];
  return order.map((kind) => ({ kind, label: LABELS[kind] }));
}
