import { describe, expect, test } from 'vitest';
import type { Strips, StudentPage } from '../../../api/types';
import { stripsOf } from './strips';

const NONE: Strips = { answered: [], late: [], plans: [], tiers: [], weeks: [], work: [], years: [] };
const YEARS: Strips['years'] = [
  { name: '2023-24', starts: '2023-08-14', ends: '2024-06-14' },
  { name: '2024-25', starts: '2024-08-12', ends: '2025-06-13' },
  { name: '2025-26', starts: '2025-08-11', ends: '2026-06-12' },
] as Strips['years'];

function page(strips: Partial<Strips>, more: Partial<StudentPage> = {}): StudentPage {
  return {
    from: '2023-08-14',
    strips: { ...NONE, ...strips },
    decisions: [],
    contacts: [],
    ...more,
  } as unknown as StudentPage;
}

/** What the strip with this key says. */
const says = (key: string, of: StudentPage) => stripsOf(of).find((s) => s.key === key)?.words;

test('what nothing is on record of has no strip', () => {
  expect(stripsOf(page({}))).toEqual([]);
  expect(stripsOf(page({ away: [] })).map((s) => s.key)).toEqual(['days']);
});

describe('days away', () => {
  test('by year, the years of which nothing is on record left out, the present one never', () => {
    expect(says('days', page({ years: YEARS, away: ['2024-09-02', '2024-09-03', '2025-09-01'] }))).toBe(
      '2024–25: 2, 2025–26: 1 day',
    );
    expect(says('days', page({ years: YEARS, away: [] }))).toBe('2025–26: 0 days');
    expect(says('days', page({ years: YEARS, away: ['2023-08-14', '2026-06-12', '2026-06-11'] }))).toBe(
      '2023–24: 1, 2025–26: 2 days',
    );
  });

  test('who was only late that year is told of, with none away', () => {
    expect(says('days', page({ years: YEARS, away: [], late: ['2024-10-07', '2025-10-07'] }))).toBe(
      '2024–25: 0, 2025–26: 0 days; late 2',
    );
  });
});

test('time: the mean of the newest four weeks, and the most', () => {
  const weeks = [90, 10, 20, 31, 40].map((minutes, i) => ({
    monday: `2026-02-${String(2 + 7 * i).padStart(2, '0')}`,
    minutes,
  }));
  expect(says('time', page({ weeks: weeks as Strips['weeks'] }))).toBe('25 minutes a week lately; most 90');
  expect(says('time', page({ weeks: weeks.slice(0, 1) as Strips['weeks'] }))).toBe('90 minutes a week lately; most 90');
});

test('work: what is not due yet counts neither way', () => {
  const work = [
    { due: '2026-03-02', in: true },
    { due: '2026-03-03', in: false },
    { due: '2026-03-20', in: undefined },
  ] as Strips['work'];
  expect(says('work', page({ work }))).toBe('1 of 2 pieces handed in; long: 1 did not come');
  expect(says('work', page({ work: work.slice(0, 1) }))).toBe('1 of 1 piece handed in');
});

test('plans: those that run, else that none does', () => {
  const plan = {
    measure: 'Oral reading',
    strategy: 'Phrase reading',
    perWeek: 3,
    from: '2025-10-02',
    to: '2026-04-24',
    running: true,
  };
  expect(says('plans', page({ plans: [plan] as Strips['plans'] }))).toBe('Phrase reading 3 × a week since 2 Oct');
  expect(says('plans', page({ plans: [{ ...plan, running: false }] as Strips['plans'] }))).toBe('no plan runs');
  // A decision alone has its mark in the same strip.
  expect(says('plans', page({}, { decisions: [{}] as StudentPage['decisions'] }))).toBe('no plan runs');
});

test('skills: how many answers, with how secure they are where that is told', () => {
  const answered = [
    { day: '2026-03-02', answers: 12, share: 0.5 },
    { day: '2026-03-09', answers: 1, share: 1 },
  ];
  expect(says('skills', page({ answered }))).toBe('13 answers, as high as the share right');
  expect(says('skills', page({ answered, skills: { secure: 4, shaky: 2, notYet: 1 } as Strips['skills'] }))).toBe(
    'secure 4, shaky 2, not yet 1; 13 answers, as high as the share right',
  );
});

test('contacts: how often home was reached, of all', () => {
  const contact = (whom: string, reached: boolean) => ({ whom, reached }) as StudentPage['contacts'][number];
  const of = (...contacts: StudentPage['contacts']) => says('contacts-strip', page({}, { contacts }));
  expect(of(contact('home', true), contact('home', false), contact('team', true))).toBe(
    '3 contacts, home reached once',
  );
  expect(of(contact('home', false))).toBe('1 contact, home reached 0 times');
});

test('tiers: by area, each window once', () => {
  const tiers = [
    { area: 'Reading', window: 'Autumn', tier: 3, from: '2025-09-08' },
    { area: 'Maths', window: 'Autumn', tier: 1, from: '2025-09-08' },
    { area: 'Reading', window: 'Winter', tier: 2, from: '2026-01-12' },
  ] as Strips['tiers'];
  const strip = stripsOf(page({ tiers })).find((s) => s.key === 'tiers');
  expect(strip?.words).toBe('Reading: autumn 3, winter 2; Maths: autumn 1');
  expect(strip?.height).toBe(2 * 16 + 6);
});
