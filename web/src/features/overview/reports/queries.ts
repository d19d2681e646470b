import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { ReportTable } from '../../../api/types';
import { saveFile } from '../../../lib/saveFile';

export interface Asked {
  who: string;
  from: string;
  to: string;
}

export function useReports(asked: Asked, asOf: string, enabled: boolean) {
  const query = { ...asked, asOf };
  return useQuery({
    queryKey: ['records', 'reports', query],
    queryFn: () => data(api.GET('/api/reports', { params: { query } })),
    placeholderData: keepPreviousData,
    enabled,
  });
}

/** Saves everything as a workbook. */
export async function downloadBook(asked: Asked, asOf: string, codes: boolean): Promise<void> {
  const blob = await data(api.POST('/api/reports/export', { body: { ...asked, asOf, codes }, parseAs: 'blob' }));
  saveFile(blob as unknown as Blob, `report-${asked.from}-${asked.to}.xlsx`);
}

export function askForPdf(asked: Asked, asOf: string, tables: ReportTable['kind'][], codes: boolean) {
  return data(api.POST('/api/reports/pdf', { body: { ...asked, asOf, tables, codes } }));
}

export function useKeptReports() {
  return useQuery({ queryKey: ['records', 'kept-reports'], queryFn: () => data(api.GET('/api/reports/kept')) });
}

/** One that was kept, with the days it is of now. */
export function useOpened(id: number | undefined, asOf: string) {
  return useQuery({
    queryKey: ['records', 'kept-reports', id, asOf],
    queryFn: () => data(api.GET('/api/reports/kept/{id}', { params: { path: { id: id ?? 0 }, query: { asOf } } })),
    enabled: id !== undefined,
  });
}

export type KeptForm = Body<'/api/reports/kept'>;

export const useKeepReport = () => useChange((body: KeptForm) => data(api.POST('/api/reports/kept', { body })));

export const useDropReport = () =>
  useChange((id: number) => data(api.DELETE('/api/reports/kept/{id}', { params: { path: { id } } })));
