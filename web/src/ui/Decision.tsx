import type { ProposalKind } from '../api/types';

const COLOURS: Partial<Record<ProposalKind, string>> = {
  change: 'text-plum',
  'not-met': 'text-plum',
  raise: 'text-teal',
  met: 'text-teal',
};

/** The proposed step in its words; colour only underlines what the words say. */
export function DecisionWord({ kind, label }: { kind: ProposalKind; label: string }) {
  return <span className={`font-semibold ${COLOURS[kind] ?? 'text-soft'}`}>{label}</span>;
}
