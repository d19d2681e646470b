import type { UseQueryResult } from '@tanstack/react-query';
import { describe, expect, it } from 'vitest';
import { Problem } from './client';
import { isLost } from './lost';

const query = (isError: boolean, data: unknown, error?: Error) =>
  ({ isError, data, error }) as unknown as UseQueryResult;
const refused = (status: number) => new Problem(status, 'Why.');

describe('whether there is nothing to show', () => {
  it('is so where nothing was ever read', () => {
    expect(isLost(query(true, undefined, refused(503)))).toBe(true);
    expect(isLost(query(true, undefined, new TypeError('Failed to fetch')))).toBe(true);
  });

  it.each([500, 502, 503, 401, 408, 429])('is not where it was read before and %d came now', (status) => {
    expect(isLost(query(true, { rows: [] }, refused(status)))).toBe(false);
  });

  it('is not where the connection is away', () => {
    expect(isLost(query(true, { rows: [] }, new TypeError('Failed to fetch')))).toBe(false);
  });

  it.each([403, 404, 410, 422])('is so where %d says that it will not come again', (status) => {
    expect(isLost(query(true, { rows: [] }, refused(status)))).toBe(true);
  });

  it('is not while all is well', () => {
    expect(isLost(query(false, { rows: [] }))).toBe(false);
    expect(isLost(query(false, undefined))).toBe(false);
  });
});
