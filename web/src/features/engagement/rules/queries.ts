import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Body, useChange } from '../../../api/changes';
import { api, data } from '../../../api/client';

export function useRules(who: string, asOf: string) {
  return useQuery({
    queryKey: ['records', 'rules', who, asOf],
    queryFn: () => data(api.GET('/api/engagement/rules', { params: { query: { who, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export type RuleForm = Body<'/api/engagement/rules'>;

/** Who would be flagged; nothing is saved. */
export function useRulePreview(form: RuleForm | undefined) {
  return useQuery({
    queryKey: ['records', 'rule-preview', form],
    queryFn: () => data(api.POST('/api/engagement/rules/preview', { body: form as RuleForm })),
    enabled: form !== undefined,
    retry: false,
    placeholderData: keepPreviousData,
  });
}

export const useSaveRule = () => useChange((body: RuleForm) => data(api.POST('/api/engagement/rules', { body })));

export const useUndoRule = () =>
  useChange((body: Body<'/api/engagement/rules/undo'>) => data(api.POST('/api/engagement/rules/undo', { body })));

export const useGap = () =>
  useQuery({ queryKey: ['records', 'gap'], queryFn: () => data(api.GET('/api/engagement/gap')) });

export type GapForm = Body<'/api/engagement/gap'>;

export function useGapPreview(form: GapForm | undefined) {
  return useQuery({
    queryKey: ['records', 'gap-preview', form],
    queryFn: () => data(api.POST('/api/engagement/gap/preview', { body: form as GapForm })),
    enabled: form !== undefined,
    retry: false,
    placeholderData: keepPreviousData,
  });
}

export const useSaveGap = () => useChange((body: GapForm) => data(api.POST('/api/engagement/gap', { body })));

export const useUndoGap = () => useChange((_: undefined) => data(api.POST('/api/engagement/gap/undo')));

/** What charts said of goals against what came; reckoned only when somebody asks. */
export const usePast = (who: string, asOf: string, asked: boolean) =>
  useQuery({
    queryKey: ['records', 'past', who, asOf],
    queryFn: () => data(api.GET('/api/trends/past', { params: { query: { who, asOf } } })),
    enabled: asked,
  });
