export type Theme = 'auto' | 'light' | 'dark';

const KEY = 'ladder-theme';
const prefersDark = window.matchMedia('(prefers-color-scheme: dark)');

export function savedTheme(): Theme {
  const saved = localStorage.getItem(KEY);
  return saved === 'light' || saved === 'dark' ? saved : 'auto';
}

export function applyTheme(theme: Theme) {
  const dark = theme === 'dark' || (theme === 'auto' && prefersDark.matches);
  document.documentElement.dataset.theme = dark ? 'dark' : 'light';
}

export function saveTheme(theme: Theme) {
  if (theme === 'auto') {
    localStorage.removeItem(KEY);
  } else {
    localStorage.setItem(KEY, theme);
  }
  applyTheme(theme);
}

prefersDark.addEventListener('change', () => applyTheme(savedTheme()));
