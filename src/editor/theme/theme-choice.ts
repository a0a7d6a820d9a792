import { recall, remember } from '../remembered';

const KEY = 'obelus-theme';

/** Puts on the theme chosen in this browser. */
export function wearTheme(): void {
  document.documentElement.dataset.theme = recall(KEY) ?? 'lamplight';
}

export function toggleTheme(): void {
  const to = document.documentElement.dataset.theme === 'vellum' ? 'lamplight' : 'vellum';
  remember(KEY, to);
  document.documentElement.dataset.theme = to;
}
