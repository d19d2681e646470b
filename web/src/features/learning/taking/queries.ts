import { api, data } from '../../../api/client';
import type { Waiting } from './answerBox';

/** A page of another origin cannot send it without being asked for it. */
const headers = { 'X-Ladder-Taking': '1' };

export const signIn = (words: string) => data(api.POST('/api/taking/sign-in', { body: { words }, headers }));

export const signOut = () => data(api.DELETE('/api/taking', { headers }));

export const taking = () => data(api.GET('/api/taking', {}));

export const begin = (giving: number) =>
  data(api.POST('/api/taking/checks/{giving}', { params: { path: { giving } }, headers }));

export const answer = ({ giving, item, answer, seconds, told }: Waiting) =>
  data(
    api.PUT('/api/taking/checks/{giving}/answers', {
      params: { path: { giving } },
      body: { item, answer, seconds, told },
      headers,
    }),
  );

export const handIn = (giving: number, ranOut: boolean) =>
  data(api.POST('/api/taking/checks/{giving}/done', { params: { path: { giving } }, body: { ranOut }, headers }));
