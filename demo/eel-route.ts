import {
  inkOf,
  addLayers,
  applyManner,
  changeEffects,
  groupLayers,
  newPiece,
  newStroke,
  setKey,
  writeInSequence,
  type Piece,
} from '../src/core/document';
import { corner } from '../src/core/geometry';
import { landingEasing, reversedEasing } from '../src/core/timing';
import { GONE } from './gone';
import { leaving } from '../src/layouts';
import { dashes } from './dashes';
import { lettering, tracedStrokes } from './traced';
import { written, type PenPlace } from './written';

/** From the sea up the estuary, round its bends, to the weir. */
const ROUTE: PenPlace[] = [
  [1480, -880, 160],
  [1240, -800, 178],
  [1080, -690, 96],
  [1150, -560, 84],
  [1010, -440, 178],
  [800, -500, 200],
  [640, -420, 92],
  [690, -310, 120],
  [560, -250, 160],
];

/** Over the marsh from bank to bank, circling once, drawn as by hand on threes. */
const HERON: PenPlace[] = [
  [300, -760, 40],
  [620, -620, 10],
  [860, -700, 280],
  [760, -800, 150],
  [740, -640, 50],
  [1100, -330, 30],
  [1500, -250, 350],
];

/** The course of an eel migration over the drawn map, which lies under it as an underlay. */
export function eelRoute(): Piece {
  const stops = [
    ['mouth', 'Skerrow Mouth', 1480, 880],
    ['weir', 'Weir of Ammet', 560, 250],
  ] as const;
  let piece: Piece = {
    ...newPiece('Eel route', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, 150),
    over: '#cdc2a2',
  };
  piece = addLayers(piece, [
    lettering('from'),
    lettering('to'),
    ...stops.map(([id, name, x, y]) =>
      newStroke(id, name, { closed: false, points: [corner(x, y)] }, inkOf(26, '#ff6b3d')),
    ),
    newStroke(
      'route',
      'Course of the eels',
      written(ROUTE, { x: 0, y: 0, scale: 1 }),
      inkOf(9, '#ff6b3d', {
        dashes: dashes([2.4, 2.2], { flow: 'march', speed: { value: 90, unit: 'px', seamless: true } }),
        ends: { head: { shape: 'reed tip', size: 5 } },
        shadowLine: { x: 4, y: 6, aside: 0, width: 1.1, colour: '#4a3a20', opacity: 0.45 },
      }),
    ),
    newStroke(
      'heron',
      'Course of the heron',
      written(HERON, { x: 0, y: 0, scale: 1 }),
      inkOf(6, '#3c5a44', { dashes: dashes([0, 2.6]) }),
    ),
    ...tracedStrokes('from'),
    ...tracedStrokes('to'),
  ]);
  const away = reversedEasing(landingEasing(0.6));
  const ids = (word: string) => tracedStrokes(word).map((stroke) => stroke.id);
  piece = applyManner(piece, ['route'], {
    kind: 'both',
    from: 'start',
    onAt: 14,
    onFrames: 66,
    offAt: 120,
    offFrames: 24,
    easing: landingEasing(0.6),
    offEasing: away,
  });
  piece = applyManner(piece, ['heron'], {
    kind: 'both',
    from: 'start',
    onAt: 30,
    onFrames: 60,
    offAt: 124,
    offFrames: 20,
    offEasing: away,
  });
  piece = changeEffects(piece, ['heron'], () => [
    { on: true, is: { kind: 'wobble', amount: 5, grain: 110, held: 3, loop: 0, seed: 3 } },
  ]);
  // Names have light round them, so that they hold over a dark shot as well.
  const light = { kind: 'glow', size: 9, gain: 3.2, colour: '#f4eee1', opacity: 0.9 } as const;
  piece = groupLayers(piece, ids('from'), { id: 'mouth-name', name: 'Skerrow Mouth' });
  piece = groupLayers(piece, ids('to'), { id: 'weir-name', name: 'Weir of Ammet' });
  piece = changeEffects(piece, ['mouth-name', 'weir-name'], (effects) => [
    ...effects,
    { on: true, is: light },
  ]);
  piece = leaving(writeInSequence(piece, ids('from'), 4, 26), ids('from'), 120, 138);
  piece = leaving(writeInSequence(piece, ids('to'), 74, 100), ids('to'), 126, 144);
  // The places swell up before the course comes to them, and go when it has left.
  const widths = { mouth: [0, 8, 126, 134], weir: [4, 12, 138, 146] } as const;
  return Object.entries(widths).reduce(
    (result, [id, frames]) =>
      frames.reduce(
        (one, frame, i) =>
          setKey(
            one,
            id,
            'ink.width',
            frame,
            i === 0 || i === 3 ? 0 : 26,
            i === 2 ? GONE : landingEasing(0.6),
          ),
        result,
      ),
    piece,
  );
}

/** The map of the estuary, drawn for the sample world. */
export const ESTUARY_MAP = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1920 1080" width="1920" height="1080">
<style>
.land{fill:#d8cba8}.bank{fill:none;stroke:#7d6a45;stroke-width:5}.mud{fill:#b9a982}.reed{fill:none;stroke:#7c8c54;stroke-width:4;stroke-linecap:round}
.sea{fill:#9db8bd}.depth{fill:none;stroke:#7fa0a6;stroke-width:3;stroke-dasharray:2 16;stroke-linecap:round}
</style>
<rect class="sea" width="1920" height="1080"/>
<path class="depth" d="M1300 1010C1500 930 1720 960 1920 900M1380 1060C1560 1000 1760 1020 1920 980M1240 930C1440 860 1680 880 1920 810"/>
<path class="land" d="M0 0H1920V620C1780 700 1660 660 1560 740 1470 800 1400 770 1310 760 1230 752 1180 730 1170 670 1165 620 1240 590 1230 520 1220 430 1090 390 990 390 880 390 800 440 740 420 690 400 760 330 740 280 715 215 600 200 520 205 430 210 380 160 300 170 200 180 120 120 0 140Z"/>
<path class="land" d="M0 1080V330C120 300 220 340 330 300 420 270 480 290 520 310 560 330 570 380 570 430 575 500 640 560 760 560 870 560 960 500 1040 520 1090 535 1050 590 1020 650 990 720 1010 800 1100 860 1180 905 1220 960 1180 1080Z"/>
<path class="mud" d="M1040 520C1090 535 1050 590 1020 650 1000 700 1004 750 1040 800 1060 740 1070 690 1100 640 1120 590 1110 540 1040 520Z"/>
<path class="mud" d="M740 420C690 400 760 330 740 280 730 250 700 232 668 222 690 270 690 330 680 380Z"/>
<path class="bank" d="M1920 620C1780 700 1660 660 1560 740 1470 800 1400 770 1310 760 1230 752 1180 730 1170 670 1165 620 1240 590 1230 520 1220 430 1090 390 990 390 880 390 800 440 740 420 690 400 760 330 740 280 715 215 600 200 520 205 430 210 380 160 300 170 200 180 120 120 0 140"/>
<path class="bank" d="M0 330C120 300 220 340 330 300 420 270 480 290 520 310 560 330 570 380 570 430 575 500 640 560 760 560 870 560 960 500 1040 520 1090 535 1050 590 1020 650 990 720 1010 800 1100 860 1180 905 1220 960 1180 1080"/>
<path d="M480 196l60 128" stroke="#5d4f35" stroke-width="12"/>
<defs><g id="reeds"><path d="M0 0c4-24 2-40-6-62M14 2c4-28 10-44 22-60M28 4c8-20 20-32 36-40"/></g></defs>
<g class="reed"><use href="#reeds" x="820" y="690"/><use href="#reeds" x="640" y="700"/><use href="#reeds" x="880" y="820"/><use href="#reeds" x="1380" y="610"/><use href="#reeds" x="1560" y="560"/><use href="#reeds" x="1020" y="300"/><use href="#reeds" x="1240" y="330"/><use href="#reeds" x="380" y="480"/><use href="#reeds" x="220" y="640"/></g>
</svg>`;
