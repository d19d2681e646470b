import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { type Body, useChange } from '../../api/changes';
import { api, data } from '../../api/client';
import { newKey } from '../../lib/newKey';
import type { Scope } from '../../lib/scope';

export type LetterForm = Body<'/api/contacts/letters'>;

export function useTexts() {
  return useQuery({ queryKey: ['records', 'texts'], queryFn: () => data(api.GET('/api/contacts/texts')) });
}

/** Every letter as it will be read; nothing is sent. */
export function useLetters(form: LetterForm | undefined) {
  return useQuery({
    queryKey: ['records', 'letters', form],
    queryFn: () => data(api.POST('/api/contacts/letters/preview', { body: form as LetterForm })),
    enabled: form !== undefined,
    retry: false,
    placeholderData: keepPreviousData,
  });
}

/** With a key of the dialog's own: sent again after a lost answer, nothing goes out twice. */
export function useSend() {
  const params = useKey();
  return useChange((body: LetterForm) => data(api.POST('/api/contacts/letters', { body, params })));
}

export function useNote() {
  const params = useKey();
  return useChange((body: Body<'/api/contacts/notes'>) => data(api.POST('/api/contacts/notes', { body, params })));
}

function useKey() {
  const [key] = useState(newKey);
  return { header: { 'Idempotency-Key': key } };
}

export const useLooked = () =>
  useChange((id: number) => data(api.POST('/api/contacts/{id}/looked', { params: { path: { id } } })));

export const useStopLetter = () =>
  useChange((id: number) => data(api.POST('/api/contacts/letters/{id}/stop', { params: { path: { id } } })));

export const useTakeBackNote = () =>
  useChange(({ id, because }: { id: number; because: string }) =>
    data(api.POST('/api/contacts/{id}/withdraw', { params: { path: { id } }, body: { because } })),
  );

export function useContacts(scope: Scope) {
  const { who, year, asOf } = scope;
  return useQuery({
    queryKey: ['records', 'contacts', who, year, asOf],
    queryFn: () => data(api.GET('/api/contacts', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
    // Letters go out while one looks on.
    refetchInterval: (query) =>
      query.state.data?.contacts.some((c) => c.letter === 'waiting' || c.letter === 'sending') ? 3000 : false,
  });
}

/** When home was last spoken to, by student; asked for only where it is shown. */
export function useHomeSpoken(scope: Scope, shown: boolean): Map<number, string> | undefined {
  const { who, year, asOf } = scope;
  const query = useQuery({
    queryKey: ['records', 'home spoken', who, year, asOf],
    queryFn: () => data(api.GET('/api/contacts/home', { params: { query: { who, year, asOf } } })),
    placeholderData: keepPreviousData,
    enabled: shown,
  });
  return useMemo(() => query.data && new Map(query.data.map((h) => [h.student, h.last])), [query.data]);
}
