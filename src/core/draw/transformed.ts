import {
  applyMatrix,
  compose,
  isIdentity,
  isSimilar,
  meanScale,
  transformCommands,
  type Matrix,
} from '../geometry';
import { isRibbon, mappedColouring } from '../ink';
import type { DrawItem, Filter } from './draw-list';

const linear = ([a, b, c, d]: Matrix): Matrix => [a, b, c, d, 0, 0];

function mappedFilter(filter: Filter, m: Matrix): Filter {
  if (filter.kind === 'blur' || filter.kind === 'sharpen')
    return { ...filter, deviation: filter.deviation * meanScale(m) };
  return filter.kind === 'shift' ? { ...filter, by: applyMatrix(linear(m), filter.by) } : filter;
}

/** An item mapped. Blur stays round: under a map that stretches it grows by the map's mean. */
export function transformed(item: DrawItem, m: Matrix): DrawItem {
  if (isIdentity(m)) return item;
  const k = meanScale(m);
  if (item.kind === 'group') {
    const { filters } = item;
    return {
      ...item,
      items: item.items.map((inner) => transformed(inner, m)),
      ...(filters && { filters: filters.map((filter) => mappedFilter(filter, m)) }),
    };
  }
  if (item.kind === 'stroke' && (item.transform || !isSimilar(m)))
    return {
      ...item,
      transform: item.transform ? compose(m, item.transform) : m,
      ...(isRibbon(item.colour) && { colour: mappedColouring(item.colour, m) }),
    };
  const { colour } = item;
  const look = {
    path: transformCommands(item.path, m),
    colour: mappedColouring(colour, m),
  };
  if (item.kind === 'fill') return { ...item, ...look };
  const { dashes, dashPhase } = item;
  return {
    ...item,
    ...look,
    width: item.width * k,
    ...(dashes && { dashes: dashes.map((dash) => dash * k) }),
    ...(dashPhase !== undefined && { dashPhase: dashPhase * k }),
  };
}
