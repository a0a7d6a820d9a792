const KEY = 'obelus-theme';

/** Puts on the theme chosen in this browser. */
export function wearTheme(): void {
  document.documentElement.dataset.theme = localStorage.getItem(KEY) ?? 'lamplight';
}

export function toggleTheme(): void {
  localStorage.setItem(KEY, document.documentElement.dataset.theme === 'vellum' ? 'lamplight' : 'vellum');
  wearTheme();
}
