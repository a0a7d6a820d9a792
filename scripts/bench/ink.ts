// A 1080p title of 30 strokes in full ink (taper, colour along, dashes) against the same in plain ink, on the server
// and in Chromium's page: evaluate and paint, the frames of all in turn. Where strokes are written one after another frames follow
// one another, as they do in playing and in an export; leaping nine at a time is told beside it.
import { createCanvas } from '@napi-rs/canvas';
import { strokesOf } from '../../src/core/document';
import { coverage, coveredArt } from '../../src/core/trace';
import { measureBoth, type Times } from './both';
import { FULL_INK, inOrder, revealedTitle, title } from './pieces';
import { median, middle, ms, report, times, type Row } from './table';

const { taper, gradient, dashes } = FULL_INK;
const PIECES = {
  plain: title(30),
  taper: title(30, { taper: taper! }),
  dashes: title(30, { dashes: dashes! }),
  gradient: title(30, { gradient: gradient! }),
  full: title(30, FULL_INK),
  'plain 300': title(300),
  'full 300': title(300, FULL_INK),
  'plain 40': title(40),
  revealed: revealedTitle(40),
};
const WRITTEN = {
  'written plain': inOrder(title(30)),
  'written full': inOrder(title(30, FULL_INK)),
  'written 40': inOrder(title(40)),
  'written revealed': inOrder(revealedTitle(40)),
};

const leaps = Array.from({ length: 10 }, (_, i) => 11 + i * 9);
const everyFrame = Array.from({ length: 90 }, (_, i) => 5 + i);
const leaping = await measureBoth({ ...PIECES, ...WRITTEN }, leaps);
const played = await measureBoth(WRITTEN, everyFrame);

const rows = (where: string, leapt: Times, inTurn: Times): Row[] => {
  const t = { ...leapt, ...inTurn };
  const all = (name: string) => middle(t[name]!.all);
  const ofLeaps = (one: string, other: string) =>
    `leaping nine frames ${times(middle(leapt[one]!.all) / middle(leapt[other]!.all))}`;
  const part = (name: string) => `${name} ${times(all(name) / all('plain'))}`;
  return [
    {
      what: `Title of 30 strokes in full ink, 1080p, ${where}`,
      ours: ms(all('full')),
      other: `plain ink ${ms(all('plain'))}`,
      ratio: times(all('full') / all('plain')),
      note: `aim ≤ 3 and 16.7 ms; evaluate takes ${ms(middle(t.full!.evaluate))} of it. Each alone: ${['taper', 'dashes', 'gradient'].map(part).join(', ')}`,
    },
    {
      what: `300 strokes in full ink, 1080p, ${where}`,
      ours: ms(all('full 300')),
      other: `plain ink ${ms(all('plain 300'))}`,
      ratio: times(all('full 300') / all('plain 300')),
      note: `evaluate takes ${ms(middle(t['full 300']!.evaluate))} of it`,
    },
    {
      what: `30 strokes in full ink written one after another, 1080p, ${where}`,
      ours: ms(all('written full')),
      other: `plain ink ${ms(all('written plain'))}`,
      ratio: times(all('written full') / all('written plain')),
      note: `aim ≤ 1.5; ${ofLeaps('written full', 'written plain')}; evaluate takes ${ms(middle(t['written full']!.evaluate))} of it`,
    },
    {
      what: `Title of 40 letters written one after another, each revealed by its stroke, 1080p, ${where}`,
      ours: ms(all('written revealed')),
      other: `the strokes alone ${ms(all('written 40'))}`,
      ratio: times(all('written revealed') / all('written 40')),
      note: `aim ≤ 3; ${ofLeaps('written revealed', 'written 40')}; evaluate takes ${ms(middle(t['written revealed']!.evaluate))} of it`,
    },
    {
      what: `The same, all 40 letters growing at once, ${where}`,
      ours: ms(all('revealed')),
      other: `the strokes alone ${ms(all('plain 40'))}`,
      ratio: times(all('revealed') / all('plain 40')),
      note: `aim ≤ 3; evaluate takes ${ms(middle(t.revealed!.evaluate))} of it`,
    },
  ];
};

const covering = revealedTitle(12);
const letters = covering.layers.find((layer) => layer.type === 'art')!;
const strokes = strokesOf(covering);
const covered = median(() => {
  coverage(coveredArt(letters, strokes, true, createCanvas)!, strokes, covering.length);
});
report([
  ...rows('server', leaping.server, played.server),
  ...rows('Chromium', leaping.page, played.page),
  {
    what: 'Coverage of 12 letters by their strokes measured anew',
    ours: ms(covered),
    other: '',
    ratio: '',
    note: 'aim 300 ms; in Node, as in the worker',
  },
]);
