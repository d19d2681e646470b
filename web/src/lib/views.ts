/**
 * The views in the order of the rhythm of the week, with the key that follows g. A rung may stand for several pages: the first
 * is where it leads, and it is lit on all of them.
 */
export const VIEWS = [
  { path: '/desk', name: 'Desk', key: 'd', pages: ['/desk', '/contacts'] },
  { path: '/coverage', name: 'Screening', key: 's', pages: ['/coverage', '/entry', '/table', '/tiers', '/report'] },
  { path: '/ladder', name: 'Ladder', key: 'l' },
  { path: '/trends', name: 'Trends', key: 't', pages: ['/trends', '/strip', '/plans', '/meeting', '/reading'] },
  {
    path: '/engagement',
    name: 'Engagement',
    key: 'e',
    pages: ['/engagement', '/engagement/habits', '/engagement/effort', '/engagement/work', '/engagement/attendance'],
  },
  {
    path: '/skills',
    name: 'Skills',
    key: 'k',
    pages: ['/skills', '/skills/students', '/skills/profiles', '/skills/items'],
  },
  { path: '/groups', name: 'Groups', key: 'o', pages: ['/groups', '/groups/kept', '/groups/worked'] },
  { path: '/find', name: 'Find', key: 'f', pages: ['/find', '/find/lists', '/compare', '/reports'] },
  { path: '/records', name: 'Records', key: 'r', pages: ['/records', '/records/people', '/records/history'] },
  {
    path: '/setup/cuts',
    name: 'Setup',
    key: 'u',
    pages: [
      '/setup/cuts',
      '/setup/windows',
      '/setup/measures',
      '/setup/norms',
      '/setup/classes',
      '/setup/calendar',
      '/setup/groupings',
      '/setup/rules',
      '/setup/marks',
      '/setup/skills',
      '/setup/texts',
      '/setup/programs',
      '/setup/start',
      '/setup/next-year',
    ],
  },
] as const;

/** What the Desk holds. */
export const DESK = [
  { path: '/desk', name: 'Today' },
  { path: '/contacts', name: 'Contacts' },
] as const;

/** What Find holds. */
export const FIND = [
  { path: '/find', name: 'Criterion' },
  { path: '/find/lists', name: 'Lists' },
  { path: '/compare', name: 'Compare' },
  { path: '/reports', name: 'Reports' },
] as const;

/** What the Engagement rung holds. */
export const ENGAGEMENT = [
  { path: '/engagement', name: 'Weeks' },
  { path: '/engagement/habits', name: 'Habits' },
  { path: '/engagement/effort', name: 'Effort and score' },
  { path: '/engagement/work', name: 'Work' },
  { path: '/engagement/attendance', name: 'Attendance' },
] as const;

/** What the Skills rung holds. */
export const SKILLS = [
  { path: '/skills', name: 'Class' },
  { path: '/skills/students', name: 'Students' },
  { path: '/skills/profiles', name: 'Profiles' },
  { path: '/skills/items', name: 'Items' },
  {
    path: '/skills/checks',
    name: 'Checks',
    within: ['/skills/checks/', '/skills/given/', '/skills/bank', '/skills/cards', '/skills/print', '/skills/pages'],
  },
] as const;

/** What the Groups rung holds. */
export const GROUPS = [
  { path: '/groups', name: 'Board' },
  { path: '/groups/kept', name: 'Kept groups' },
  { path: '/groups/worked', name: 'Who worked with whom' },
] as const;

/** Every page that can be gone to by name: views, and what their rungs hold. */
export function allPages(): { path: string; name: string }[] {
  return [
    ...VIEWS.filter((v) => !('pages' in v)),
    { path: '/desk', name: 'Desk' },
    { path: '/contacts', name: 'Desk: contacts' },
    { path: '/records', name: 'Records' },
    ...SCREENING.map((p) => ({ path: p.path, name: `Screening: ${p.name.toLowerCase()}` })),
    ...MONITORING.map((p) => ({ path: p.path, name: `Trends: ${p.name.toLowerCase()}` })),
    ...ENGAGEMENT.map((p) => ({ path: p.path, name: `Engagement: ${p.name.toLowerCase()}` })),
    ...FIND.map((p) => ({ path: p.path, name: `Find: ${p.name.toLowerCase()}` })),
    ...SKILLS.map((p) => ({ path: p.path, name: `Skills: ${p.name.toLowerCase()}` })),
    ...GROUPS.map((p) => ({ path: p.path, name: `Groups: ${p.name.toLowerCase()}` })),
    ...SETUP.map((p) => ({ path: p.path, name: `Setup: ${p.name.toLowerCase()}` })),
  ];
}

/** What the Screening, Trends, Records and Setup rungs hold. */
export const SCREENING = [
  { path: '/coverage', name: 'Coverage' },
  { path: '/entry', name: 'Enter scores' },
  { path: '/table', name: 'Table' },
  { path: '/tiers', name: 'Tiers' },
  { path: '/report', name: 'Report' },
] as const;
export const MONITORING = [
  { path: '/trends', name: 'Charts' },
  { path: '/strip', name: 'Weekly scores' },
  { path: '/plans', name: 'Plans and sessions' },
  { path: '/meeting', name: 'Meeting' },
  { path: '/reading', name: 'Reading aloud' },
] as const;
export const RECORDS = [
  { path: '/records', name: 'Files' },
  { path: '/records/people', name: 'People' },
  { path: '/records/history', name: 'History' },
] as const;
/** An administrator's. */
export const SETUP_FIRST = [
  { path: '/setup/start', name: 'Start' },
  { path: '/setup/next-year', name: 'Next year' },
] as const;
export const SETUP = [
  { path: '/setup/cuts', name: 'Cut scores' },
  { path: '/setup/windows', name: 'Windows' },
  { path: '/setup/measures', name: 'Measures' },
  { path: '/setup/norms', name: 'Norms' },
  { path: '/setup/classes', name: 'Classes' },
  { path: '/setup/calendar', name: 'Calendar' },
  { path: '/setup/groupings', name: 'Groupings' },
  { path: '/setup/rules', name: 'Rules' },
  { path: '/setup/marks', name: 'Marks' },
  { path: '/setup/skills', name: 'Skills' },
  { path: '/setup/texts', name: 'Texts' },
  { path: '/setup/programs', name: 'Programs' },
] as const;
