/** What does well as a password, wherever one is chosen. */
export const PASSWORD_HINT =
  'At least 10 characters. Three or four words that have nothing to do with each other do well.';
