import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import { saveFile } from '../../../lib/saveFile';
import type { Scope } from '../../../lib/scope';
import type { Looking } from './useLooking';

/** @param typing while marks are typed it is read again now and then, so that two people who mark at once see each other's */
export function useWork(scope: Scope, looking: Looking, typing: boolean) {
  const { who, year, asOf } = scope;
  const query = { who, year, asOf, ...looking.asked };
  return useQuery({
    queryKey: ['records', 'work', query],
    queryFn: () => data(api.GET('/api/work', { params: { query } })),
    placeholderData: keepPreviousData,
    refetchInterval: typing ? 15_000 : false,
  });
}

export function usePiece(scope: Scope, id: number, looking: Looking) {
  const { who, year, asOf } = scope;
  const { attempt, late } = looking.asked;
  const query = { who, year, asOf, ...(attempt && { attempt }), ...(late !== undefined && { late }) };
  return useQuery({
    queryKey: ['records', 'piece', id, query],
    queryFn: () => data(api.GET('/api/work/pieces/{id}', { params: { path: { id }, query } })),
  });
}

export function useKeepPiece(key: string) {
  return useChange((body: Body<'/api/work/pieces'>) =>
    data(api.POST('/api/work/pieces', { body, params: { header: { 'Idempotency-Key': key } } })),
  );
}

export const useEndPiece = () =>
  useChange((id: number) => data(api.POST('/api/work/pieces/{id}/end', { params: { path: { id } } })));

/** Saves what is shown to a file. */
export async function downloadWork(body: Body<'/api/work/export'>): Promise<void> {
  const blob = await data(api.POST('/api/work/export', { body, parseAs: 'blob' }));
  saveFile(blob as unknown as Blob, `work-${body.asOf}.${body.format}`);
}
