/** The views in the order of the rhythm of the week, with the key that follows g. */
export const VIEWS = [
  { path: '/desk', name: 'Desk', key: 'd' },
  { path: '/ladder', name: 'Ladder', key: 'l' },
  { path: '/trends', name: 'Trends', key: 't' },
  { path: '/records', name: 'Records', key: 'r' },
] as const;
