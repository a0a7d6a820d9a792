import { type LetterSetting, worldOf } from '@/core/document';
import { applyMatrix, commandsBounds, inverse, unite, type Point } from '@/core/geometry';
import { clamp } from '@/core/numbers';
import { partOutlines, variedAt } from '@/core/scene';
import { changeLetters } from '../../lettering';
import { lettersInHand, type EditorState } from '../../state';
import { cornersOf } from '../frames';
import { NO_GRIPS, type Grip, type Grips } from './grip';

/** How far above its box what a letter is turned by stands, as a share of the box's height. */
const ABOVE = 0.35;
const STEP = Math.PI / 12;

const tenth = (value: number): number => Math.round(value * 10) / 10;
/** Round letters that are set by themselves: what moves, turns and scales each; those in hand change alike. */
export function letterGrips(state: EditorState): Grips {
  const found = state.tool === 'select' ? lettersInHand(state) : null;
  if (!found || found.lettering.locked || found.lettering.hidden) return NO_GRIPS;
  const { lettering, places } = found;
  const world = worldOf(state.piece, lettering, Math.round(state.frame));
  const back = inverse(world);
  if (!back) return NO_GRIPS;
  const outlines = partOutlines(variedAt(lettering, state.frame));
  const boxes = places.flatMap((at) => {
    const own = lettering.set.glyphs.flatMap(({ cluster }, i) => (cluster === at ? [i] : []));
    const box = unite(own.flatMap((i) => commandsBounds(outlines[i]!) ?? []));
    return box ? [box] : [];
  });
  const out = (p: Point): Point => applyMatrix(world, p);
  const own = (p: Point): Point => applyMatrix(back, p);
  const before = new Map((lettering.setting.letters ?? []).map((letter) => [letter.at, letter]));
  const put = (part: (letter: LetterSetting) => Partial<LetterSetting>) =>
    changeLetters(lettering.id, places, ({ at }) => part(before.get(at) ?? { at }), 'letters by hand');
  const grips = boxes.flatMap((box): Grip[] => {
    const middle = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
    const above = { x: middle.x, y: box.top - (box.bottom - box.top) * ABOVE };
    const angle = (p: Point): number => Math.atan2(own(p).y - middle.y, own(p).x - middle.x);
    const away = (p: Point): number => Math.hypot(own(p).x - middle.x, own(p).y - middle.y);
    return [
      {
        at: out(middle),
        shape: 'cross',
        cursor: 'move',
        take: (from) => (to) => {
          const [a, b] = [own(from.point), own(to.point)];
          const by = { x: tenth(b.x - a.x), y: tenth(b.y - a.y) };
          if (to.shift) by[Math.abs(by.x) > Math.abs(by.y) ? 'y' : 'x'] = 0;
          put(({ x = 0, y = 0 }) => ({ x: tenth(x + by.x), y: tenth(y + by.y) }));
          return `${by.x} × ${by.y} px`;
        },
      },
      {
        at: out(above),
        shape: 'turn',
        cursor: 'grab',
        take: (from) => (to) => {
          const raw = angle(to.point) - angle(from.point);
          const by = to.shift ? Math.round(raw / STEP) * STEP : raw;
          put(({ rotation = 0 }) => ({ rotation: rotation + by }));
          return `${tenth((by * 180) / Math.PI)}°`;
        },
      },
      ...cornersOf(box).map(({ at }): Grip => ({
        at: out(at),
        shape: 'square',
        cursor: 'nwse-resize',
        take: (from) => (to) => {
          const by = Math.max(0.02, away(to.point) / Math.max(1e-6, away(from.point)));
          put(({ scale = 1 }) => ({
            scale: clamp(Math.round(scale * by * 1000) / 1000, 0.01, 20),
          }));
          return `${Math.round(by * 1000) / 10} %`;
        },
      })),
    ];
  });
  const rings = boxes.map((box) => {
    const corners = cornersOf(box).map(({ at }) => out(at));
    return [...corners, corners[0]!];
  });
  return { lines: rings, grips };
}
