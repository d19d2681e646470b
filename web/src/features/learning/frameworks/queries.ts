import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';

export type SkillBody = Body<'/api/skills/frameworks/{id}/skills'>;
export type FrameworkBody = Body<'/api/skills/frameworks'>;
export type MeaningBody = Body<'/api/skills/settings'>;

export function useFrameworks(school: number | undefined) {
  return useQuery({
    queryKey: ['records', 'frameworks', school],
    queryFn: () => data(api.GET('/api/skills/frameworks', { params: { query: { who: `school-${school}` } } })),
    enabled: school !== undefined,
  });
}

export const useAddFramework = (key: string) =>
  useChange((body: FrameworkBody) =>
    data(api.POST('/api/skills/frameworks', { body, params: { header: { 'Idempotency-Key': key } } })),
  );

export const useChangeFramework = () =>
  useChange(({ id, body }: { id: number; body: FrameworkBody }) =>
    data(api.PUT('/api/skills/frameworks/{id}', { params: { path: { id } }, body })),
  );

/** Adds a skill, or changes the one with the id. */
export const useKeepSkill = (key: string) =>
  useChange(async ({ framework, id, body }: { framework: number; id?: number; body: SkillBody }): Promise<void> => {
    if (id === undefined) {
      const params = { path: { id: framework }, header: { 'Idempotency-Key': key } };
      await data(api.POST('/api/skills/frameworks/{id}/skills', { params, body }));
    } else {
      await data(
        api.PUT('/api/skills/frameworks/{id}/skills/{skill}', { params: { path: { id: framework, skill: id } }, body }),
      );
    }
  });

export const useEndSkill = () =>
  useChange(({ framework, id, ended }: { framework: number; id: number; ended: boolean }) =>
    data(
      api.PUT('/api/skills/frameworks/{id}/skills/{skill}/ended', {
        params: { path: { id: framework, skill: id } },
        body: { ended },
      }),
    ),
  );

export function useMeaning(school: number | undefined) {
  return useQuery({
    queryKey: ['records', 'skill meaning', school],
    queryFn: () => data(api.GET('/api/skills/settings', { params: { query: { school: school as number } } })),
    enabled: school !== undefined,
  });
}

/** Whose skills would be read otherwise; nothing is asked while the form is not whole. */
export function useMeaningPreview(form: MeaningBody | undefined) {
  return useQuery({
    queryKey: ['records', 'skill meaning preview', form],
    queryFn: () => data(api.POST('/api/skills/settings/preview', { body: form as MeaningBody })),
    enabled: form !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export const useSetMeaning = () => useChange((body: MeaningBody) => data(api.POST('/api/skills/settings', { body })));

interface Package {
  /** Undefined: for every school. */
  school?: number;
  file: File;
}

/** A package in the form of CASE, only looked at or taken. */
const bring = ({ school, file }: Package, take: boolean) =>
  data(
    api.POST('/api/skills/frameworks/packages', {
      params: { query: { school, take } },
      headers: { 'Content-Type': 'application/octet-stream' },
      body: file as unknown as string,
      bodySerializer: (b: unknown) => b as BodyInit,
    }),
  );

export const useLookAtPackage = () => useMutation({ mutationFn: (of: Package) => bring(of, false) });

export const useTakePackage = () => useChange((of: Package) => bring(of, true));
