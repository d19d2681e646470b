const COLOURS: Record<string, string> = {
  change: 'text-plum',
  'not-met': 'text-plum',
  raise: 'text-teal',
  met: 'text-teal',
};

/** The proposed step in its words; colour only underlines what the words say. */
export function DecisionWord({ kind, label }: { kind: string; label: string }) {
  return <span className={`font-semibold ${COLOURS[kind] ?? 'text-soft'}`}>{label}</span>;
}
