import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';
import type { Scope } from '../../../lib/scope';

/** @param framework undefined: the one that has the area of the scope's measure */
export function useSkills(scope: Scope, framework: number | undefined) {
  const { who, year, asOf, measure } = scope;
  const query = { who, year, asOf, ...(framework === undefined ? { measure } : { framework }) };
  return useQuery({
    queryKey: ['records', 'skills', query],
    queryFn: () => data(api.GET('/api/skills', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

const detailOf = (scope: Scope, framework: number, skill: number) => {
  const { who, year, asOf } = scope;
  const query = { who, year, asOf };
  return {
    queryKey: ['records', 'skill', framework, skill, query],
    queryFn: () => data(api.GET('/api/skills/{framework}/{skill}', { params: { path: { framework, skill }, query } })),
  };
};

export function useSkill(scope: Scope, framework: number, skill: number) {
  return useQuery(detailOf(scope, framework, skill));
}

export { detailOf };

export function useTaught(who: string) {
  return useChange((body: { skill: number; taught: boolean }) =>
    data(api.PUT('/api/skills/taught', { body: { who, ...body } })),
  );
}

export function useStudentSkills(scope: Scope, student: number | undefined, framework: number | undefined) {
  const { year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'student-skills', student, framework, year, asOf],
    queryFn: () =>
      data(
        api.GET('/api/skills/students/{student}', {
          params: { path: { student: student as number }, query: { year, asOf, framework } },
        }),
      ),
    enabled: student !== undefined,
    placeholderData: keepPreviousData,
  });
}

/** One side of a comparison: a student, and from when to when. */
export interface Side {
  student: number;
  from: string;
  to: string;
}

export function useBeside(scope: Scope, framework: number, first: Side, second: Side, on: boolean) {
  const { year, asOf } = scope;
  const query = {
    framework,
    year,
    asOf,
    a: `student-${first.student}`,
    ...(first.from && { aFrom: first.from }),
    ...(first.to && { aTo: first.to }),
    b: `student-${second.student}`,
    ...(second.from && { bFrom: second.from }),
    ...(second.to && { bTo: second.to }),
  };
  return useQuery({
    queryKey: ['records', 'beside', query],
    queryFn: () => data(api.GET('/api/skills/beside', { params: { query } })),
    placeholderData: keepPreviousData,
    enabled: on,
  });
}

export function useTopic(scope: Scope, framework: number, skill: number, from: string, to: string) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'topic', framework, skill, who, year, asOf, from, to],
    queryFn: () =>
      data(
        api.GET('/api/skills/{framework}/{skill}/topic', {
          params: { path: { framework, skill }, query: { who, year, asOf, from, to } },
        }),
      ),
    placeholderData: keepPreviousData,
  });
}

export function useItems(scope: Scope, check: number | undefined) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'skill-items', who, year, asOf, check],
    queryFn: () => data(api.GET('/api/skills/items', { params: { query: { who, year, asOf, check } } })),
    placeholderData: keepPreviousData,
  });
}

interface Mending {
  item: number;
  skills: number[];
  seen: number[];
  because?: string;
}

export const useMendSkills = () =>
  useChange(({ item, ...body }: Mending) =>
    data(api.PUT('/api/skills/items/{id}/skills', { params: { path: { id: item } }, body })),
  );

/** Who would move if the item asked for these skills. */
export function useMendLook(item: number, skills: number[], asked: boolean) {
  return useQuery({
    queryKey: ['records', 'mend-look', item, skills],
    enabled: asked,
    queryFn: () =>
      data(api.POST('/api/skills/items/{id}/skills', { params: { path: { id: item } }, body: { skills } })),
  });
}

export function useMendings(item: number) {
  return useQuery({
    queryKey: ['records', 'mendings', item],
    queryFn: () => data(api.GET('/api/skills/items/{id}/skills', { params: { path: { id: item } } })),
  });
}

export function useProfiles(scope: Scope, framework: number | undefined) {
  const { who, year, asOf, measure } = scope;
  const query = { who, year, asOf, ...(framework === undefined ? { measure } : { framework }) };
  return useQuery({
    queryKey: ['records', 'profiles', query],
    queryFn: () => data(api.GET('/api/skills/profiles', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export const useFollow = () =>
  useChange(({ advice, students, followed }: { advice: number; students: number[]; followed: boolean }) =>
    data(
      api.PUT('/api/skills/profiles/advice/{id}/followed', {
        params: { path: { id: advice } },
        body: { students, followed },
      }),
    ),
  );

export const useAddAdvice = (key: string) =>
  useChange((body: Body<'/api/skills/profiles/advice'>) =>
    data(api.POST('/api/skills/profiles/advice', { body, params: { header: { 'Idempotency-Key': key } } })),
  );

export const useChangeAdvice = () =>
  useChange(({ id, advice, ended }: { id: number; advice: string; ended: boolean }) =>
    data(api.PUT('/api/skills/profiles/advice/{id}', { params: { path: { id } }, body: { advice, ended } })),
  );
