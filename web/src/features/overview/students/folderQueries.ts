import { useChange } from '../../../api/changes';
import { api, csrfToken, data, problemOf } from '../../../api/client';
import type { Folder } from '../../../api/types';

export type Readers = Folder['notes'][number]['readers'];

export const READERS: Record<Readers, string> = {
  everybody: 'everybody who sees the student',
  team: 'coordinators and administrators, and you',
  self: 'only you',
};

interface Note {
  words: string;
  readers: Readers;
  on: string;
}

/** @param note the one that is changed; none: a new one */
export const useKeepNote = (id: number, note: number | undefined) =>
  useChange((body: Note) =>
    note === undefined
      ? data(api.POST('/api/students/{id}/folder/notes', { params: { path: { id } }, body }))
      : data(api.PUT('/api/students/{id}/folder/notes/{note}', { params: { path: { id, note } }, body })),
  );

export const useTakeBackNote = (id: number) =>
  useChange(({ note, because }: { note: number; because: string }) =>
    data(
      api.POST('/api/students/{id}/folder/notes/{note}/taken-back', {
        params: { path: { id, note } },
        body: { because },
      }),
    ),
  );

export const useTakeBackFile = (id: number) =>
  useChange(({ file, because }: { file: number; because: string }) =>
    data(
      api.POST('/api/students/{id}/folder/files/{file}/taken-back', {
        params: { path: { id, file } },
        body: { because },
      }),
    ),
  );

/** A file goes as it is: the server looks at what is in it. */
export const useAddFile = (id: number) =>
  useChange(
    async ({ file, about, readers, grouped }: { file: File; about: string; readers: Readers; grouped: string }) => {
      const query = new URLSearchParams({
        name: file.name,
        readers,
        ...(about && { about }),
        ...(grouped && { grouped }),
      });
      const answer = await fetch(`/api/students/${id}/folder/files?${query}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream', 'X-XSRF-TOKEN': csrfToken() },
        body: file,
      });
      if (!answer.ok) throw await problemOf(answer);
      return (await answer.json()) as { id: number };
    },
  );
