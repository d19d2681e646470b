import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import type { Scope } from '../app/scope';
import type { Body } from './changes';
import { api, data } from './client';
import type { DecisionRuleForm, GoalDraft, JointDraft, ReadingForm } from './types';

export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: () => data(api.GET('/api/session')),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

export function useScopeChoices(signedIn: boolean) {
  return useQuery({ queryKey: ['scope'], queryFn: () => data(api.GET('/api/scope')), enabled: signedIn });
}

export function useDesk(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'desk', who, year, asOf],
    queryFn: () => data(api.GET('/api/desk', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export function useLadder(scope: Scope, seasons = 2, enabled = true) {
  const { who, measure, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'ladder', who, measure, year, asOf, seasons],
    queryFn: () => data(api.GET('/api/ladder', { params: { query: { who, measure, year, asOf, seasons } } })),
    enabled,
    placeholderData: keepPreviousData,
  });
}

/** The part of the scope that views of one screening window ask with. */
function screening({ who, year, asOf, window }: Scope) {
  return { who, year, asOf, ...(window === undefined ? {} : { window }) };
}

export function useCoverage(scope: Scope) {
  const query = screening(scope);
  return useQuery({
    queryKey: ['records', 'coverage', query],
    queryFn: () => data(api.GET('/api/coverage', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** Read again now and then, so that two people who enter at once see each other's scores. */
export function useEntry(scope: Scope) {
  const query = screening(scope);
  return useQuery({
    queryKey: ['entry', query],
    queryFn: () => data(api.GET('/api/entry', { params: { query } })),
    refetchInterval: 15_000,
    staleTime: 0,
  });
}

export function useTiers(scope: Scope, area: string | undefined) {
  const query = { ...screening(scope), ...(area ? { area } : {}) };
  return useQuery({
    queryKey: ['records', 'tiers', query],
    queryFn: () => data(api.GET('/api/tiers', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

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
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob as unknown as Blob);
  link.download = `screening-${body.asOf}.${body.format}`;
  link.click();
  URL.revokeObjectURL(link.href);
}

export function useReport(scope: Scope) {
  const query = { ...screening(scope), measure: scope.measure };
  return useQuery({
    queryKey: ['records', 'report', query],
    queryFn: () => data(api.GET('/api/report', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** Begins a PDF and tells how far it is until it is ready. */
export function usePdf(scope: Scope, window: number) {
  const begin = useMutation({
    mutationFn: () =>
      data(
        api.POST('/api/report/pdf', {
          body: { who: scope.who, year: scope.year, window, measure: scope.measure, asOf: scope.asOf },
        }),
      ),
  });
  const id = begin.data?.id;
  const progress = useQuery({
    queryKey: ['pdf', id],
    queryFn: () => data(api.GET('/api/report/pdf/{id}', { params: { path: { id: id ?? 0 } } })),
    enabled: id !== undefined,
    refetchInterval: (q) => (q.state.data?.ready || q.state.data?.failed ? false : 500),
  });
  return { begin, id, progress };
}

export function useNorms(scope: Scope, set: number | undefined) {
  const { who, measure, asOf } = scope;
  const query = { who, measure, asOf, ...(set === undefined ? {} : { set }) };
  return useQuery({
    queryKey: ['records', 'norms', query],
    queryFn: () => data(api.GET('/api/norms', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export function useCuts(scope: Scope, set: number | undefined) {
  const { who, measure, year, asOf } = scope;
  const query = { who, measure, year, asOf, ...(set === undefined ? {} : { set }) };
  return useQuery({
    queryKey: ['records', 'cuts', query],
    queryFn: () => data(api.GET('/api/cuts', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export function useMeasures() {
  return useQuery({ queryKey: ['records', 'measures'], queryFn: () => data(api.GET('/api/measures')) });
}

export function useTrends(scope: Scope) {
  const { who, measure, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'trends', who, measure, year, asOf],
    queryFn: () => data(api.GET('/api/trends', { params: { query: { who, measure, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export function useTrendDetail(student: number, measure: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'detail', student, measure, asOf],
    queryFn: () =>
      data(api.GET('/api/trends/{student}/{measure}', { params: { path: { student, measure }, query: { asOf } } })),
    placeholderData: keepPreviousData,
  });
}

/** What a goal for the student can be chosen from. */
export function useGoalOptions(student: number, measure: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'goal-options', student, measure, asOf],
    queryFn: () =>
      data(
        api.GET('/api/trends/{student}/{measure}/goal-options', {
          params: { path: { student, measure }, query: { asOf } },
        }),
      ),
  });
}

/** What would come of a goal; asked again whenever the draft changes, the last answer kept meanwhile. */
export function useGoalAdvice(student: number, measure: number, asOf: string, draft: GoalDraft | undefined) {
  return useQuery({
    queryKey: ['records', 'goal-advice', student, measure, asOf, draft],
    queryFn: () =>
      data(
        api.POST('/api/trends/{student}/{measure}/goal-advice', {
          params: { path: { student, measure }, query: { asOf } },
          body: draft as GoalDraft,
        }),
      ),
    enabled: draft !== undefined,
    placeholderData: keepPreviousData,
  });
}

/** What a goal of one kind comes to for each of several students; without a draft, only what there is to choose from. */
export function useJointGoals(students: number[], measure: number, asOf: string, draft: JointDraft | undefined) {
  return useQuery({
    queryKey: ['records', 'joint-goals', students, measure, asOf, draft],
    queryFn: () =>
      data(api.POST('/api/trends/joint-goals', { params: { query: { measure, asOf } }, body: { students, draft } })),
    placeholderData: keepPreviousData,
  });
}

/** Whose proposals would differ under other settings of a rule. */
export function useRuleEffect(scope: Scope, form: DecisionRuleForm | undefined) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'rule-effect', who, year, asOf, form],
    queryFn: () =>
      data(
        api.POST('/api/trends/rule-effect', { params: { query: { who, year, asOf } }, body: form as DecisionRuleForm }),
      ),
    enabled: form !== undefined,
    placeholderData: keepPreviousData,
  });
}

/** Read again now and then, so that two people who enter at once see each other's scores. */
export function useStrip(scope: Scope, day: string) {
  const { who, measure, year } = scope;
  const query = { who, measure, year, day };
  return useQuery({
    queryKey: ['entry', 'strip', query],
    queryFn: () => data(api.GET('/api/strip', { params: { query } })),
    refetchInterval: 15_000,
    staleTime: 0,
    placeholderData: keepPreviousData,
  });
}

export function useMeeting(scope: Scope, students: number[], group: string | undefined) {
  const { who, measure, year, asOf } = scope;
  const query = { who, measure, year, asOf, ...(students.length ? { students } : {}), ...(group ? { group } : {}) };
  return useQuery({
    queryKey: ['records', 'meeting', query],
    queryFn: () => data(api.GET('/api/meeting', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export function useSpans(scope: Scope, from: string, to: string) {
  const { who, measure, year, asOf } = scope;
  const query = { who, measure, year, asOf, from, to };
  return useQuery({
    queryKey: ['records', 'spans', query],
    queryFn: () => data(api.GET('/api/trends/spans', { params: { query } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

export function useReadingHome(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'reading', who, year, asOf],
    queryFn: () => data(api.GET('/api/reading', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export function useReading(id: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'reading', id, asOf],
    queryFn: () => data(api.GET('/api/reading/{id}', { params: { path: { id }, query: { asOf } } })),
  });
}

/** What a reading comes to, counted by the server while it is finished; the last answer stays meanwhile. */
export function useOutcome(form: ReadingForm) {
  return useQuery({
    queryKey: ['outcome', form],
    queryFn: () => data(api.POST('/api/reading/outcome', { body: form })),
    placeholderData: keepPreviousData,
  });
}

export function usePlans(scope: Scope) {
  const { who, measure, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'plans', who, measure, year, asOf],
    queryFn: () => data(api.GET('/api/plans', { params: { query: { who, measure, year, asOf } } })),
    placeholderData: keepPreviousData,
  });
}

export function useStudentPage(id: number, asOf: string) {
  return useQuery({
    queryKey: ['records', 'student', id, asOf],
    queryFn: () => data(api.GET('/api/students/{id}', { params: { path: { id }, query: { asOf } } })),
  });
}

/** Only what fits the words as they stand: Enter must never open what an earlier letter found. */
export function useFind(words: string, asOf: string) {
  return useQuery({
    queryKey: ['find', words, asOf],
    queryFn: () => data(api.GET('/api/students', { params: { query: { find: words, asOf } } })),
    enabled: words.trim().length > 0,
  });
}
