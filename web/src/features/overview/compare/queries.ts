import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import { type Sides, sideParams } from './sides';

type Query = { a: string; aFrom: string; aTo: string; b: string; bFrom: string; bTo: string };

export function useCompare(sides: Sides, asOf: string) {
  const query = { ...(sideParams(sides) as Query), asOf };
  return useQuery({
    queryKey: ['records', 'compare', query],
    queryFn: () => data(api.GET('/api/compare', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export function useBehind(sides: Sides, asOf: string, row: string) {
  const query = { ...(sideParams(sides) as Query), asOf, row };
  return useQuery({
    queryKey: ['records', 'compare-behind', query],
    queryFn: () => data(api.GET('/api/compare/behind', { params: { query } })),
  });
}

export function useYears(
  classId: number | undefined,
  area: string | undefined,
  window: string | undefined,
  asOf: string,
) {
  const query = { classId: classId ?? 0, area, window, asOf };
  return useQuery({
    queryKey: ['records', 'compare-years', query],
    queryFn: () => data(api.GET('/api/compare/years', { params: { query } })),
    placeholderData: keepPreviousData,
    enabled: classId !== undefined,
  });
}
