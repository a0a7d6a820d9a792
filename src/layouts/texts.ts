import { cutName, newLettering } from '@/core/document';
import type { Lettering, TextSetting } from '@/core/document';
import data from './data.json' with { type: 'json' };
import type { Stroke } from '@/core/document';

/** Colours of the sample world. */
export const VELLUM = '#f4eee1';
export const MINIUM = '#ff6b3d';
export const VERDIGRIS = '#43b3a0';
export const REED = '#d9a441';
export const DUSK = '#1d2c36';

type Setting = Partial<TextSetting> & {
  readonly text: string;
  readonly face: TextSetting['face'];
  readonly size: number;
};

const sans = (weight: number): TextSetting['face'] => ({ id: 'barlow-condensed', weight });
const script: TextSetting['face'] = { id: 'sacramento', weight: 400 };
const round = (weight: number): TextSetting['face'] => ({ id: 'quicksand', weight });

/** The texts of the layouts and of the sample world as they are to be set; scripts/set-layouts.ts sets them. */
export const SETTINGS = {
  title: { text: 'Saltmarsh', face: script, size: 410 },
  titleUnder: { text: 'ALMANAC', face: round(500), size: 64, tracking: 420 },
  name: {
    text: 'Alma Claman',
    face: sans(600),
    size: 74,
    align: 'left',
    fit: { width: 1000, how: 'shrink' },
  },
  role: {
    text: 'Tide keeper, Skerrow Mouth',
    face: sans(400),
    size: 46,
    align: 'left',
    fit: { width: 1000, how: 'shrink' },
  },
  strip: {
    text: 'JORUN BRACKWATER',
    face: sans(700),
    size: 92,
    align: 'left',
    tracking: 30,
    fit: { width: 1400, how: 'shrink' },
  },
  stripRole: {
    text: 'Counts the herons',
    face: sans(400),
    size: 46,
    align: 'left',
    fit: { width: 1400, how: 'shrink' },
  },
  keyword: { text: 'Spring tide', face: round(500), size: 190 },
  signature: { text: 'Ebba Lind', face: script, size: 300 },
  chapterNumber: { text: 'CHAPTER TWO', face: sans(500), size: 54, tracking: 380 },
  chapter: {
    text: 'The Turning Tide',
    face: { id: 'lora', weight: 400 },
    size: 150,
    leading: 1.15,
    fit: { width: 1280, how: 'break' },
  },
  routeFrom: { text: 'Skerrow Mouth', face: sans(600), size: 50, align: 'left' },
  routeTo: { text: 'Weir of Ammet', face: sans(600), size: 50, align: 'left' },
  ring: { text: '#', face: sans(500), size: 210 },
  ringUnit: { text: 'per cent of high water', face: sans(400), size: 46 },
  stacked: {
    text: 'Twice a day\nthe sea comes\nto look at the land',
    face: { id: 'lora', weight: 500 },
    size: 118,
    leading: 1.16,
    align: 'left',
  },
} as const satisfies Record<string, Setting>;
export type TextKey = keyof typeof SETTINGS;

/** The ones that are written by hand: strokes are found for them. */
export const HANDWRITTEN = ['title', 'signature'] as const satisfies readonly TextKey[];

export const settingOf = (key: TextKey): TextSetting => ({
  tracking: 0,
  leading: 1.2,
  align: 'centre',
  ...(SETTINGS[key] as Setting),
});

const DATA = data as unknown as {
  readonly texts: Record<TextKey, Lettering['set']>;
  readonly hands: Record<
    (typeof HANDWRITTEN)[number],
    readonly Pick<Stroke, 'name' | 'path' | 'ink' | 'traced'>[]
  >;
};

/** A text set in the piece, its anchor at a place. */
export const lettering = (
  id: string,
  key: TextKey,
  x: number,
  y: number,
  colour: string,
  part: Partial<Lettering> = {},
): Lettering =>
  newLettering(
    id,
    cutName(settingOf(key).text.replaceAll('\n', ' ').replace('#', 'Number'), 60),
    settingOf(key),
    DATA.texts[key],
    { colour, x, y, ...part },
  );

/** The strokes that uncover a handwritten text set about a place; wide enough to. */
export const handOf = (key: (typeof HANDWRITTEN)[number]) => DATA.hands[key];
