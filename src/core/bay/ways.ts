/** How a receiving program may take a file: what it holds of its alpha. */
export const WAYS = {
  straight: 'keeps straight alpha',
  premultiplied: 'takes it for premultiplied',
  ignored: 'ignores alpha',
  matte: 'fill with its matte',
  key: 'fill and key, added',
  light: 'adds light',
} as const;
export type Way = keyof typeof WAYS;

/** Ways that need a second picture, which says how much of the first is there. */
export const needsMatte = (way: Way): boolean => way === 'matte' || way === 'key';

/** The ways that a file can be taken: with its matte where it has one, else by its alpha. */
export const waysOf = (hasMatte: boolean): readonly Way[] =>
  hasMatte ? ['matte', 'key', 'ignored'] : ['straight', 'premultiplied', 'ignored', 'light'];
