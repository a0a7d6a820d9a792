import {
  applyManner,
  newPiece,
  newStroke,
  type Ink,
  type Manner,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { measurePath, type Path } from '../src/core/geometry';
import { CAPITALS, HAND } from './letters';
import { at, written, type PenPlace, type Placing } from './written';

const VELLUM = '#ede6d8';
const MINIUM = '#ff6b3d';
const VERDIGRIS = '#43b3a0';
const REED = '#d9a441';

const TITLE: Placing = { x: 276, y: 560, scale: 1.2, slant: 0.2 };
const ink = (width: number, colour: string): Ink => ({
  width,
  colour,
  opacity: 1,
  cap: 'round',
  join: 'round',
});

/** The word in the order a hand writes it: the bar of the t waits until the word is done. */
const WORD: [name: string, places: PenPlace[]][] = [
  ['S', [...HAND.S]],
  ['al', [[170, 14, 24], ...at(196, HAND.a), ...at(320, HAND.l)]],
  ['t', at(398, [[-42, 0, 0], ...HAND.t])],
  ['m', at(468, [[-30, 0, 0], ...HAND.m])],
  ['ar', [[644, 0, 0], ...at(668, HAND.a), ...at(794, HAND.r)]],
  ['sh', [[886, 0, 0], ...at(904, HAND.s), ...at(966, HAND.h)]],
  [
    't, bar',
    [
      [378, 124, 6],
      [480, 132, 4],
    ],
  ],
];

const SWASH: PenPlace[] = [
  [74, -62, 208],
  [8, -96, 262],
  [60, -124, 2],
  [420, -92, 3],
  [800, -108, -3],
  [1096, -88, 12],
];

/** Five reeds that lean out of the end of the swash. */
const REEDS: PenPlace[][] = [
  [
    [1136, -84, 82],
    [1144, -20, 84],
    [1168, 44, 54],
  ],
  [
    [1150, -82, 72],
    [1176, 6, 74],
    [1214, 92, 54],
  ],
  [
    [1164, -82, 62],
    [1204, -8, 60],
    [1256, 48, 36],
  ],
  [
    [1178, -84, 44],
    [1226, -48, 34],
    [1276, -30, 12],
  ],
  [
    [1126, -84, 96],
    [1124, -50, 92],
    [1132, -6, 76],
  ],
];

/** Spaced capitals under the word. */
function almanac(): [string, PenPlace[], Placing][] {
  const placing: Placing = { x: 700, y: 806, scale: 0.5 };
  let x = 0;
  return [...'ALMANAC'].flatMap((letter, i) => {
    const { width, strokes } = CAPITALS[letter as keyof typeof CAPITALS];
    const made = strokes.map((places, k): [string, PenPlace[], Placing] => {
      const name =
        strokes.length > 1 ? `${letter} ${i + 1}, ${k === 0 ? 'stem' : 'bar'}` : `${letter} ${i + 1}`;
      return [name, at(x, places), placing];
    });
    x += width + 66;
    return made;
  });
}

/** Frames a hand takes for a path: a steady speed, and no stroke quicker than `least`. */
const framesFor = (path: Path, pixelsPerFrame: number, least: number): number =>
  Math.max(least, Math.round(measurePath(path).length / pixelsPerFrame));

/** The opening title: a hand writes the word, underlines it, reeds spring up, and all of it leaves in the same order. */
export function openingTitle(): Piece {
  const length = 126;
  const layers: Stroke[] = [];
  const timing: [id: string, manner: Manner][] = [];
  const add = (
    id: string,
    name: string,
    path: Path,
    look: Ink,
    start: number,
    frames: number,
    leave: number,
    landing = 0.6,
  ) => {
    layers.push(newStroke(id, name, path, look));
    const manner: Manner = {
      kind: 'both',
      from: 'start',
      onAt: start,
      onFrames: frames,
      offAt: leave,
      offFrames: 12,
      landing,
    };
    timing.push([id, manner]);
    return start + frames;
  };
  let now = 2;
  WORD.forEach(([name, places], i) => {
    const path = written(places, TITLE);
    const end = add(
      `word-${i + 1}`,
      name,
      path,
      ink(i === 6 ? 9 : 12, VELLUM),
      now,
      framesFor(path, 78, 5),
      98 + i * 2,
    );
    // The hand does not stop between letters: the next begins as this one lands.
    now = end - 3;
  });
  const swash = written(SWASH, TITLE);
  const swashEnd = add('swash', 'Swash', swash, ink(7, MINIUM), now - 2, 22, 104, 0.75);
  REEDS.forEach((places, i) => {
    add(
      `reed-${i + 1}`,
      `Reed ${i + 1}`,
      written(places, TITLE),
      ink(5, REED),
      swashEnd - 7 + i * 2,
      10,
      106 + i,
      0.8,
    );
  });
  almanac().forEach(([name, places, placing], i) => {
    add(
      `almanac-${i + 1}`,
      name,
      written(places, placing),
      ink(5, VERDIGRIS),
      swashEnd - 8 + i * 2,
      9,
      100 + i,
      0.7,
    );
  });
  const piece: Piece = {
    ...newPiece('Opening title', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, length),
    over: '#1d2c36',
    layers,
  };
  return timing.reduce((result, [id, manner]) => applyManner(result, [id], manner), piece);
}
