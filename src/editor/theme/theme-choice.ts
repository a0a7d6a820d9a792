import type { MenuEntry } from '@/ui';

/** Dark, light, or as the system says. */
type Theme = 'dark' | 'light' | 'system';

/** A cookie, so that the server knows it and the first paint is right. */
export const THEME_COOKIE = 'obelus-theme';
const YEAR = 365 * 24 * 60 * 60;

const themeNow = (): Theme => {
  const { theme } = document.documentElement.dataset;
  return theme === 'dark' || theme === 'light' ? theme : 'system';
};

/** Puts on a theme, and remembers it in this browser. */
function wearTheme(to: Theme): void {
  const root = document.documentElement;
  if (to === 'system') {
    delete root.dataset.theme;
    document.cookie = `${THEME_COOKIE}=; path=/; max-age=0; samesite=strict`;
  } else {
    root.dataset.theme = to;
    document.cookie = `${THEME_COOKIE}=${to}; path=/; max-age=${YEAR}; samesite=strict`;
  }
}

const NAMES: Readonly<Record<Theme, string>> = {
  dark: 'Dark',
  light: 'Light',
  system: 'Dark or light as the system says',
};

/** The themes that are not worn, as entries of a menu. */
export const themeEntries = (): MenuEntry[] =>
  (['dark', 'light', 'system'] as const)
    .filter((theme) => typeof document === 'undefined' || theme !== themeNow())
    .map((theme) => ({ id: theme, name: NAMES[theme], run: () => wearTheme(theme) }));
