import type { Filter, GroupItem } from '../../draw';
import { gliding, stepping, type Clock } from './clock';
import type { Definitions } from './definitions';
import { element, short } from './element';

/** Where in a picture filters may leave ink: px. */
export interface Region {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

type Params = readonly number[];

/** The numbers of a filter, which may change from frame to frame. */
function paramsOf(filter: Filter): Params {
  switch (filter.kind) {
    case 'blur':
    case 'sharpen':
      return [filter.deviation];
    case 'gain':
      return [filter.factor];
    case 'shift':
      return [filter.by.x, filter.by.y];
    default:
      return [];
  }
}

/** Luma of ITU-R BT.709. */
const LUMA = '0.2126 0.7152 0.0722 0 0';

/** One filter as a primitive of Filter Effects Level 1; of `from` it makes `to`. */
function primitive(
  clock: Clock,
  kind: Filter['kind'],
  params: readonly (Params | null)[],
  tints: readonly (string | null)[],
  from: string,
  to: string,
): string {
  const one = (k: number, name: string, map: (n: number) => number = (n) => n) =>
    gliding(
      clock,
      name,
      params.map((p) => p && [map(p[k]!)]),
      0.01,
      ([n]) => short(n!, 3),
    );
  switch (kind) {
    case 'blur': {
      const { value, moves } = one(0, 'stdDeviation');
      return element('feGaussianBlur', { in: from, stdDeviation: value, result: to }, moves);
    }
    case 'shift': {
      const [dx, dy] = [one(0, 'dx'), one(1, 'dy')];
      return element('feOffset', { in: from, dx: dx.value, dy: dy.value, result: to }, dx.moves + dy.moves);
    }
    case 'tint': {
      const known = tints.map((tint) => tint ?? tints.find((other) => other !== null)!);
      const { value, moves } = stepping(clock, 'flood-color', known);
      return (
        element('feFlood', { 'flood-color': value, result: `${to}c` }, moves) +
        element('feComposite', { in: `${to}c`, in2: from, operator: 'in', result: to })
      );
    }
    case 'gain': {
      const { value, moves } = one(0, 'slope');
      const a = element('feFuncA', { type: 'linear', slope: value }, moves);
      return element('feComponentTransfer', { in: from, result: to }, a);
    }
    case 'alpha from brightness':
      return (
        element('feColorMatrix', {
          in: from,
          values: `0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 ${LUMA}`,
          result: `${to}l`,
        }) + element('feComposite', { in: `${to}l`, in2: from, operator: 'in', result: to })
      );
    case 'sharpen': {
      // Alpha about a half is spread; what has none keeps none.
      const steep = (n: number) => Math.max(1, n * Math.sqrt(2 * Math.PI));
      const slope = one(0, 'slope', steep);
      const intercept = one(0, 'intercept', (n) => (1 - steep(n)) / 2);
      const a = element(
        'feFuncA',
        { type: 'linear', slope: slope.value, intercept: intercept.value },
        slope.moves + intercept.moves,
      );
      return element('feComponentTransfer', { in: from, result: to }, a);
    }
  }
}

/** The filters of a group through time, by the name of one filter; undefined where it has none. */
export function filterOf(
  groups: readonly (GroupItem | null)[],
  clock: Clock,
  region: Region,
  defs: Definitions,
): string | undefined {
  const kinds = groups.find((group) => group !== null)?.filters?.map(({ kind }) => kind) ?? [];
  if (kinds.length === 0) return undefined;
  const content = kinds
    .map((kind, k) => {
      const steps = groups.map((group) => group?.filters?.[k] ?? null);
      const params = steps.map((step) => step && paramsOf(step));
      const tints = steps.map((step) => (step?.kind === 'tint' ? step.colour : null));
      return primitive(clock, kind, params, tints, k === 0 ? 'SourceGraphic' : `s${k}`, `s${k + 1}`);
    })
    .join('');
  const { x, y, width, height } = region;
  const place = { x, y, width, height, filterUnits: 'userSpaceOnUse', 'color-interpolation-filters': 'sRGB' };
  return `url(#${defs.id('filter', JSON.stringify(place) + content, (id) => element('filter', { id, ...place }, content))})`;
}

/** A filter that makes all of something black and leaves its alpha. */
export const blackening = (region: Region, defs: Definitions): string => {
  const { x, y, width, height } = region;
  const values = '0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 1 0';
  const place = { x, y, width, height, filterUnits: 'userSpaceOnUse', 'color-interpolation-filters': 'sRGB' };
  return `url(#${defs.id('black', '', (id) => element('filter', { id, ...place }, element('feColorMatrix', { values })))})`;
};
