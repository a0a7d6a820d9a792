import {
  applyMatrix,
  compose,
  isIdentity,
  isSimilar,
  meanScale,
  transformCommands,
  type Matrix,
} from '../geometry';
import { mappedColouring, RIB, type ColourRibbon } from '../ink';
import type { DrawItem, Filter } from './draw-list';

const linear = ([a, b, c, d]: Matrix): Matrix => [a, b, c, d, 0, 0];

/** A ribbon mapped: the lines across it are mapped, and stay its ribs. */
function mappedRibbon(ribbon: ColourRibbon, m: Matrix): ColourRibbon {
  const ribs = [...ribbon.ribs];
  const turn = linear(m);
  const most = Math.hypot(...turn.slice(0, 4));
  for (let i = 0; i < ribs.length; i += RIB.size) {
    const at = applyMatrix(m, { x: ribs[i + RIB.x]!, y: ribs[i + RIB.y]! });
    const across = applyMatrix(turn, { x: -ribs[i + RIB.alongY]!, y: ribs[i + RIB.alongX]! });
    const along = applyMatrix(turn, { x: ribs[i + RIB.alongX]!, y: ribs[i + RIB.alongY]! });
    const size = Math.hypot(across.x, across.y) || 1;
    // Square to the line across, on the side on which the path goes on.
    const square = { x: across.y / size, y: -across.x / size };
    const way = square.x * along.x + square.y * along.y < 0 ? -1 : 1;
    ribs[i + RIB.x] = at.x;
    ribs[i + RIB.y] = at.y;
    ribs[i + RIB.alongX] = square.x * way;
    ribs[i + RIB.alongY] = square.y * way;
    ribs[i + RIB.half] = ribs[i + RIB.half]! * size;
  }
  return { ...ribbon, ribs, reach: ribbon.reach * most };
}

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
    const { ground, filters } = item;
    return {
      ...item,
      items: item.items.map((inner) => transformed(inner, m)),
      ...(ground && { ground: mappedRibbon(ground, m) }),
      ...(filters && { filters: filters.map((filter) => mappedFilter(filter, m)) }),
    };
  }
  if (item.kind === 'stroke' && (item.transform || !isSimilar(m)))
    return { ...item, transform: item.transform ? compose(m, item.transform) : m };
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
