import { describe, expect, it } from 'vitest';
import { change, figure } from './figures';

const share = { unit: '%', decimals: 0 };
const words = { unit: 'words', decimals: 0 };
const fine = { unit: 'points', decimals: 2 };

describe('figures of a comparison', () => {
  it('are per cent of shares, and have a decimal of means', () => {
    expect(figure(0.256, share)).toBe('26 %');
    expect(figure(0, share)).toBe('0 %');
    expect(figure(81.94, words)).toBe('81.9');
    expect(figure(1.257, fine)).toBe('1.26');
    expect(figure(-3.2, words)).toBe('−3.2');
    expect(figure(undefined, words)).toBe('');
  });

  it('have a sign where they are differences, and none at nothing', () => {
    expect(change(0.117, share)).toBe('+12');
    expect(change(-0.08, share)).toBe('−8');
    expect(change(0.001, share)).toBe('0');
    expect(change(16.9, words)).toBe('+16.9');
    expect(change(-0.04, words)).toBe('0.0');
    expect(change(-12.25, fine)).toBe('−12.25');
  });
});
