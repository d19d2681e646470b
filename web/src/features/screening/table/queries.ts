import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Body } from '../../../api/changes';
import { api, data } from '../../../api/client';
import { saveFile } from '../../../lib/saveFile';
import type { Scope } from '../../../lib/scope';

export function useTable(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'table', who, year, asOf],
    queryFn: () => data(api.GET('/api/table', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

/** Saves the table as shown to a file. */
export async function downloadTable(body: Body<'/api/table/export'>): Promise<void> {
  const blob = await data(api.POST('/api/table/export', { body, parseAs: 'blob' }));
  saveFile(blob as unknown as Blob, `screening-${body.asOf}.${body.format}`);
}
