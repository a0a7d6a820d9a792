import { isOnlySoft, type Filter } from '../../draw';
import type { Matrix } from '../../geometry';
import {
  groundsOf,
  sampleOf,
  slicesOf,
  trimOf,
  type GroupTrack,
  type ShapeTrack,
  type Track,
  type TrackGroup,
  type TrackItem,
} from '../tracks';
import { paintShape } from './paints';
import { moving, pathShapes, rgb, short, still } from './values';

/** A layer of the format; those of a list lie over one another in their order, as they are painted. */
interface LottieLayer {
  readonly ty: number;
  readonly ks: Readonly<Record<string, unknown>>;
  readonly ip: number;
  readonly op: number;
  readonly [more: string]: unknown;
}
type Layers = readonly LottieLayer[];

/** What a film is made of besides its layers: lists of layers that layers show as one. */
export class Assets {
  readonly all: { id: string; layers: Layers }[] = [];
  constructor(
    readonly frames: number,
    readonly width: number,
    readonly height: number,
  ) {}

  /** Layers as a single one. */
  asOne(layers: Layers): LottieLayer {
    return layers.length === 1 && layers[0]!.tt === undefined ? layers[0]! : this.together(layers);
  }

  /** Layers together in a layer that is theirs alone, whose strength may be another. */
  together(layers: Layers): LottieLayer {
    const id = `comp${this.all.length + 1}`;
    // The first of a list lies on top.
    this.all.push({ id, layers: numbered(layers) });
    return {
      ...{ ty: 0, refId: id, w: this.width, h: this.height },
      ...{ ks: placed(still(100)), ip: 0, op: this.frames, st: 0 },
    };
  }
}

/**
 * Layers in the order of the format, the first on top, each with its number; who is seen through another names it. (Players read a matte by
 * that name or take the layer before: some do only the one, some only the other.)
 */
export const numbered = (layers: Layers): Layers =>
  layers.toReversed().map((layer, i) => ({ ...layer, ind: i + 1, ...(layer.tt !== undefined && { tp: i }) }));

const placed = (opacity: unknown, x = 0, y = 0) => ({
  o: opacity,
  r: still(0),
  p: still([x, y]),
  a: still([0, 0]),
  s: still([100, 100]),
});

/** From when to when something is there without a break: frames, the last one excluded. */
function runsOf<T>(
  values: readonly (T | null)[],
  same: (a: T, b: T) => boolean,
): { from: number; to: number; value: T }[] {
  const runs: { from: number; to: number; value: T }[] = [];
  values.forEach((value, frame) => {
    const last = runs.at(-1);
    if (value === null) return;
    if (last?.to === frame && same(last.value, value)) last.to = frame + 1;
    else runs.push({ from: frame, to: frame + 1, value });
  });
  return runs;
}

const opacityOf = (items: readonly (TrackItem | null)[]) =>
  moving(
    items.map((item) => item && [item.opacity * 100]),
    0.2,
  );

const shapeLayer = (
  shapes: readonly object[],
  opacity: unknown,
  from: number,
  to: number,
  transform: object = placed(still(100)),
): LottieLayer => ({
  ...{ ty: 4, shapes: [{ ty: 'gr', it: [...shapes, { ty: 'tr', ...transform }] }] },
  ...{ ks: placed(opacity), ip: from, op: to, st: 0 },
});

/** A matrix as the format has transforms: scaled, skewed, turned, then moved. Undefined where it has no area. */
function transformOf([a, b, c, d, e, f]: Matrix): object | undefined {
  const area = a * d - b * c;
  const width = Math.hypot(a, b);
  if (Math.abs(area) < 1e-9 || width < 1e-6) return undefined;
  const degrees = (radians: number): number => short((radians * 180) / Math.PI, 4);
  return {
    ...placed(still(100), short(e, 3), short(f, 3)),
    r: still(degrees(Math.atan2(b, a))),
    s: still([short(width * 100, 4), short((area / width) * 100, 4)]),
    // To the left, where SVG skews to the right.
    sk: still(degrees(-Math.atan((a * c + b * d) / area))),
    sa: still(0),
  };
}

function shapeLayers({ items }: ShapeTrack, tint: string | null): Layers {
  const first = items.find((item) => item !== null)!;
  const paint = paintShape(items, first, tint);
  // A pen that stands askew is drawn in its own measure; one that is pressed flat draws nothing.
  const askew = first.kind === 'stroke' ? first.transform : undefined;
  const transform = askew && transformOf(askew);
  if (askew && !transform) return [];
  const opacity = opacityOf(items);
  const trim =
    first.kind === 'stroke' && !first.dashes ? trimOf(items.map((item) => item?.path ?? null)) : null;
  if (trim) {
    const share = (end: 'from' | 'to') =>
      moving(
        trim.spans.map((span) => span && [(span[end] / trim.length) * 100]),
        (0.05 / trim.length) * 100,
        4,
      );
    const tm = { ty: 'tm', s: share('from'), e: share('to'), o: still(0), m: 1 };
    return runsOf(items, () => true).map(({ from, to }) =>
      shapeLayer([...pathShapes(trim.path), tm, paint], opacity, from, to, transform),
    );
  }
  return runsOf(items, (a, b) => a.path === b.path).map(({ from, to, value }) =>
    shapeLayer([...pathShapes(value.path), paint], opacity, from, to, transform),
  );
}

const BLENDS: Readonly<Record<string, number>> = {
  multiply: 1,
  screen: 2,
  overlay: 3,
  darken: 4,
  lighten: 5,
  'color-dodge': 6,
  'color-burn': 7,
  'hard-light': 8,
  'soft-light': 9,
  difference: 10,
  exclusion: 11,
  hue: 12,
  saturation: 13,
  color: 14,
  luminosity: 15,
  add: 16,
};

const filterOf = <K extends Filter['kind']>({ filters = [] }: TrackGroup, kind: K) =>
  filters.find((filter): filter is Extract<Filter, { kind: K }> => filter.kind === kind);

/** The colours that lie under a group through time, slice by slice. */
const groundLayers = ({ items }: GroupTrack): Layers =>
  groundsOf(items).flatMap(({ ground, at }) =>
    runsOf(
      at.map((there) => there || null),
      () => true,
    ).map(({ from, to }): LottieLayer => {
      // The first of a list lies on top.
      const shapes = slicesOf(ground)
        .map(({ path, colour, opacity }) => ({
          ty: 'gr',
          it: [
            ...pathShapes(path),
            { ty: 'fl', c: still(rgb(colour)), o: still(short(opacity * 100, 1)), r: 1 },
            { ty: 'tr', ...placed(still(100)) },
          ],
        }))
        .toReversed();
      return { ...{ ty: 4, shapes, ks: placed(still(100)) }, ip: from, op: to, st: 0 };
    }),
  );

function groupLayers(assets: Assets, track: GroupTrack, tint: string | null): Layers {
  const first = sampleOf(track);
  if (isOnlySoft(first)) return [];
  const own = filterOf(first, 'tint')?.colour ?? tint;
  const inner = stacked(assets, track.children, own, groundLayers(track));
  const { by } = filterOf(first, 'shift') ?? { by: { x: 0, y: 0 } };
  const plain = track.items.every((item) => item === null || item.opacity === 1);
  if (inner.length === 0 || (plain && by.x === 0 && by.y === 0)) return inner;
  return [{ ...assets.together(inner), ks: placed(opacityOf(track.items), by.x, by.y) }];
}

const pictureShape = (width: number, height: number) => ({
  ...{ ty: 'rc', p: still([width / 2, height / 2]), s: still([width, height]), r: still(0) },
});

/** The whole picture, white, at frames at which an item is absent. */
const openLayers = ({ width, height }: Assets, items: readonly (TrackItem | null)[]): Layers =>
  runsOf(
    items.map((item) => (item ? null : true)),
    () => true,
  ).map(({ from, to }) =>
    shapeLayer(
      [pictureShape(width, height), { ty: 'fl', c: still([1, 1, 1]), o: still(100), r: 1 }],
      still(100),
      from,
      to,
    ),
  );

const hasPen = (track: Track): boolean =>
  track.kind === 'group' ? track.children.some(hasPen) : sampleOf(track).kind === 'stroke';

/**
 * The whole picture as a shape that is not seen. Players that are made of SVG mask within the box of what is masked, which does
 * not count the width of pens (SVG 2, 8.10): with this below it that box is the picture.
 */
const clearPicture = ({ width, height, frames }: Assets): LottieLayer =>
  shapeLayer(
    [pictureShape(width, height), { ty: 'fl', c: still([0, 0, 0]), o: still(0), r: 1 }],
    still(100),
    0,
    frames,
  );

/** Layers of tracks, one over another; what keeps or cuts what lies under it becomes its matte. */
export function stacked(
  assets: Assets,
  tracks: readonly Track[],
  tint: string | null = null,
  ground: Layers = [],
): Layers {
  let below: LottieLayer[] = [...ground];
  let pens = false;
  for (const track of tracks) {
    const first = sampleOf(track);
    pens ||= !first.operator && hasPen(track);
    const own = track.kind === 'shape' ? shapeLayers(track, tint) : groupLayers(assets, track, tint);
    const { operator, blend } = first;
    if (operator === 'keep' || operator === 'erase') {
      if (below.length === 0 || own.length === 0) continue;
      const bright = first.kind === 'group' && filterOf(first, 'alpha from brightness');
      // Matte modes: alpha, alpha inverted, luma, luma inverted.
      const tt = (bright ? 3 : 1) + (operator === 'erase' ? 1 : 0);
      // Where it is absent nothing is taken away.
      const open = operator === 'keep' ? openLayers(assets, track.items) : [];
      const held = pens ? [clearPicture(assets), ...below] : below;
      below = [
        { ...assets.asOne(held), tt },
        { ...assets.asOne([...own, ...open]), td: 1 },
      ];
    } else if (operator === 'atop') {
      if (below.length === 0 || own.length === 0) continue;
      const ground = assets.asOne(below);
      below = [ground, { ...assets.asOne(own), tt: 1 }, { ...ground, td: 1 }];
    } else if (own.length > 0 && (blend || operator === 'add')) {
      const bm = BLENDS[blend ?? 'add'];
      below.push({ ...assets.asOne(own), ...(bm && { bm }) });
    } else below.push(...own);
  }
  return below;
}
