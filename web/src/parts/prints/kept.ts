type Kind = 'home' | 'meeting';

/** Sections that somebody chose last, for each kind of page: kept for each person on this machine. */
const place = (person: number | undefined, kind: Kind) => `ladder-print-${kind}-${person ?? 0}`;

export function keptSections(person: number | undefined, kind: Kind): string[] | undefined {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(place(person, kind)) ?? 'null');
    return Array.isArray(kept) && kept.length > 0 ? kept.map(String) : undefined;
  } catch {
    return undefined;
  }
}

export function keepSections(person: number | undefined, kind: Kind, sections: string[]): void {
  localStorage.setItem(place(person, kind), JSON.stringify(sections));
}
