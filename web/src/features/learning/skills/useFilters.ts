import { useAddress } from '../../../lib/address';

/** What of the framework is looked at; it stands in the address, so that a link opens the same again. */
export interface Filters {
  framework?: number;
  skill?: number;
  domain?: string;
  /** Skills of the class's own grade, of grades below (gaps), or of all. */
  grade?: 'own' | 'below';
  taught: boolean;
}

export function useFilters(): [Filters, (part: Partial<Filters>) => void] {
  const [params, setParams] = useAddress();
  const number = (name: string) => (params.get(name) ? Number(params.get(name)) : undefined);
  const grade = params.get('grade');
  const filters: Filters = {
    framework: number('framework'),
    skill: number('skill'),
    domain: params.get('domain') ?? undefined,
    grade: grade === 'own' || grade === 'below' ? grade : undefined,
    taught: params.get('taught') === 'now',
  };
  const change = (part: Partial<Filters>) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      const all = { ...filters, ...part };
      for (const [name, value] of Object.entries({ ...all, taught: all.taught ? 'now' : undefined })) {
        if (value === undefined) next.delete(name);
        else next.set(name, String(value));
      }
      return next;
    });
  return [filters, change];
}
