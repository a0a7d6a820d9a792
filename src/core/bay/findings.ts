import type { Measured } from './measured';
import type { Nature } from './nature';
import type { Way } from './ways';

/** Something that a receiver shows otherwise than it should, or that all is well. */
export interface Finding {
  readonly good: boolean;
  /** What is seen, and what it means. */
  readonly words: string;
  /** What mends it: another setting there, or another export from here. */
  readonly mend?: string;
}

type Verdict = readonly [words: string, mend: string] | 'right';

const BLOCK: Verdict = [
  'Blocks of colour lie round the ink: a receiver that ignores alpha shows what stands where nothing should be seen.',
  'Send a fill and its matte, or the piece over a colour.',
];
const BLACK_GROUND: Verdict = [
  'Black lies round the ink, as there is nothing to see through it.',
  'Send a file with alpha, or a fill and its matte; or let the receiver add light.',
];
const ADDS: Verdict = [
  'Ink adds to what lies beneath instead of covering it: bright ink glows, dark ink is hardly seen.',
  'Where ink should cover, choose a receiver that keeps alpha.',
];

const HARD: Verdict = [
  'Edges are hard: a pixel is there or not, and edges carry the colour they were laid over as a rim.',
  'Lay them over the colour of the page where it will be seen, or export a format with alpha.',
];
const COVERS: Verdict = [
  'The file has no alpha: it covers everything, its ground included.',
  'Send a file with alpha, or a fill and its matte. Over black a layer that adds light will do.',
];

/** What becomes of each kind of file however it is taken: common practice, and the algebra of Porter & Duff 1984. */
const VERDICTS: Readonly<Record<Nature, Partial<Readonly<Record<Way, Verdict>>>>> = {
  straight: {
    straight: 'right',
    premultiplied: [
      'A light fringe: at soft edges colour is added whole that should be weakened by its alpha.',
      'Set the receiver to straight alpha, or export with alpha premultiplied.',
    ],
    ignored: BLOCK,
    light: ADDS,
  },
  premultiplied: {
    straight: [
      'A dark fringe: colour that was multiplied by its alpha is multiplied once more.',
      'Set the receiver to premultiplied alpha, or export with straight alpha.',
    ],
    premultiplied: 'right',
    ignored: BLACK_GROUND,
    light: [
      'Soft edges and glows are too weak: alpha is reckoned twice before it is added.',
      'For a layer that adds light send the piece over black, without alpha.',
    ],
  },
  hard: { straight: HARD, premultiplied: HARD, ignored: BLACK_GROUND, light: ADDS },
  opaque: {
    straight: COVERS,
    premultiplied: COVERS,
    ignored: 'right',
    light: [
      'Only what is black adds nothing: over any other colour all of the picture is made brighter, and dark ink is not seen.',
      'Export over black for this, and with alpha where ink is dark.',
    ],
  },
  'fill straight': {
    matte: 'right',
    key: [
      'A light fringe, and colour round the ink: the fill is added whole where its matte is weak.',
      'Set the fill to be multiplied by its matte, or export fill and matte premultiplied.',
    ],
    ignored: BLOCK,
  },
  'fill premultiplied': {
    matte: [
      'A dark fringe: the fill was multiplied by its matte already, and is so once more.',
      'Let the receiver add the fill (key and fill), or export fill and matte straight.',
    ],
    key: 'right',
    ignored: BLACK_GROUND,
  },
};

/** Of 255: what a fringe must be in the mean before anybody sees it, and what ink may be off in lossy video. */
const SEEN = 3;
const INK_OFF = 8;

/** What of 255 a measure is, with one decimal. */
const of255 = (value: number): string => `${Math.abs(value).toFixed(1)} of 255`;

/** What the pixels say beside the kind of file: nothing where nothing was compared. */
function measuredFindings(measured: Measured | null): Finding[] {
  if (!measured || measured.edges + measured.solid === 0) return [];
  const { fringe, ink, around, edges, solid } = measured;
  const found: Finding[] = [];
  if (edges > 0)
    found.push(
      Math.abs(fringe) < SEEN
        ? { good: true, words: `Edges are as bright as in the piece, within ${of255(fringe)} in the mean.` }
        : {
            good: false,
            words: `Edges are ${of255(fringe)} ${fringe < 0 ? 'darker' : 'brighter'} than in the piece, in the mean.`,
          },
    );
  if (solid > 0) found.push({ good: ink < INK_OFF, words: `Whole ink is off by ${of255(ink)} in the mean.` });
  if (around >= 1)
    found.push({ good: false, words: `What should be empty is off by ${of255(around)} in the mean.` });
  return found;
}

/** What a receiver that takes a file this way shows, and what mends it. */
export function wayFindings(nature: Nature, way: Way, measured: Measured | null): Finding[] {
  const verdict = VERDICTS[nature][way];
  const words: Finding[] = !verdict
    ? []
    : verdict === 'right'
      ? [{ good: true, words: 'The file is taken as it is meant.' }]
      : [{ good: false, words: verdict[0], mend: verdict[1] }];
  return [...words, ...measuredFindings(measured)];
}
