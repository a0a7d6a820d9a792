import Delaunator from 'delaunator';
import type { Point } from '../../geometry';
import { isInk, type Mask, type Ring } from '../../mask';

/**
 * The middle of ink: places equally far from two or more edges, as a graph. `r` is the distance to the edge.
 * Pixels of the mask throughout.
 */
interface Skeleton {
  readonly x: number[];
  readonly y: number[];
  readonly r: number[];
  /** Neighbours of each node. */
  readonly links: number[][];
}

/**
 * An edge of the Voronoi diagram belongs to the middle when its two outline points lie far apart along the outline,
 * measured in the distance to it: round an end the outline runs π·r from side to side, into a right-angled corner 2·r.
 */
const LEAST_WAY_ROUND = 2.3;

/**
 * The middle of the ink within outlines: the part of the Voronoi diagram of outline points that lies inside and
 * does not merely lead into a corner or an unevenness of the outline (Ogniewicz & Kübler 1995, "Hierarchic Voronoi
 * skeletons", with the length along the outline as the measure).
 * @param typical half the usual width of the ink, px: no thicker place may lose its connection.
 */
export function skeletonOf(mask: Mask, rings: readonly Ring[], typical: number): Skeleton {
  const count = rings.reduce((sum, ring) => sum + ring.x.length, 0);
  const coords = new Float64Array(2 * count);
  const ringOf = new Int32Array(count);
  const along = new Float64Array(count);
  let k = 0;
  rings.forEach((ring, index) => {
    for (let i = 0; i < ring.x.length; i++, k++) {
      // A breath of jitter, the same every time, keeps points off common circles.
      coords[2 * k] = ring.x[i]! + 1e-4 * Math.sin(k * 12.9898);
      coords[2 * k + 1] = ring.y[i]! + 1e-4 * Math.sin(k * 78.233);
      ringOf[k] = index;
      along[k] = ring.s[i]!;
    }
  });
  const { triangles, halfedges } = new Delaunator(coords);
  const n = triangles.length / 3;
  const cx = new Float64Array(n);
  const cy = new Float64Array(n);
  const cr = new Float64Array(n);
  const inside = new Uint8Array(n);
  for (let t = 0; t < n; t++) {
    const [a, b, c] = [triangles[3 * t]!, triangles[3 * t + 1]!, triangles[3 * t + 2]!];
    const [ax, ay] = [coords[2 * a]!, coords[2 * a + 1]!];
    const [bx, by] = [coords[2 * b]! - ax, coords[2 * b + 1]! - ay];
    const [dx, dy] = [coords[2 * c]! - ax, coords[2 * c + 1]! - ay];
    const d = 2 * (bx * dy - by * dx);
    if (d === 0) continue;
    const [bb, dd] = [bx * bx + by * by, dx * dx + dy * dy];
    const [ux, uy] = [(dy * bb - by * dd) / d, (bx * dd - dx * bb) / d];
    cx[t] = ax + ux;
    cy[t] = ay + uy;
    cr[t] = Math.hypot(ux, uy);
    inside[t] = isInk(mask, cx[t]!, cy[t]!) ? 1 : 0;
  }
  const wayRound = (i: number, j: number): number => {
    if (ringOf[i] !== ringOf[j]) return Infinity;
    const way = Math.abs(along[i]! - along[j]!);
    return Math.min(way, rings[ringOf[i]!]!.length - way);
  };
  const nodeOf = new Int32Array(n).fill(-1);
  const skeleton: Skeleton = { x: [], y: [], r: [], links: [] };
  const node = (t: number): number => {
    if (nodeOf[t] === -1) {
      nodeOf[t] = skeleton.x.length;
      skeleton.x.push(cx[t]!);
      skeleton.y.push(cy[t]!);
      skeleton.r.push(cr[t]!);
      skeleton.links.push([]);
    }
    return nodeOf[t]!;
  };
  for (let e = 0; e < halfedges.length; e++) {
    const twin = halfedges[e]!;
    if (twin < e) continue;
    const t = (e / 3) | 0;
    const u = (twin / 3) | 0;
    if (!inside[t] || !inside[u]) continue;
    const i = triangles[e]!;
    const j = triangles[e % 3 === 2 ? e - 2 : e + 1]!;
    const r = Math.min((cr[t]! + cr[u]!) / 2, 1.5 * typical);
    if (wayRound(i, j) <= LEAST_WAY_ROUND * r) continue;
    const [a, b] = [node(t), node(u)];
    skeleton.links[a]!.push(b);
    skeleton.links[b]!.push(a);
  }
  return skeleton;
}

/** A run of the middle between two places where it forks or ends. */
export interface Chain {
  readonly x: number[];
  readonly y: number[];
  readonly r: number[];
  /** The fork it starts and ends at; null at a free end; both null and `closed` for a ring without forks. */
  from: number | null;
  to: number | null;
  readonly closed: boolean;
  /** Which connected piece of ink it belongs to. */
  readonly piece: number;
  /** Places of the run where the line turns on the spot. */
  readonly corners?: readonly Point[];
}

/** A place where the middle forks: the node of the skeleton it stands for. */
export interface Fork {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

export interface ChainGraph {
  readonly chains: Chain[];
  readonly forks: Map<number, Fork>;
}

/**
 * Gathers nodes with two neighbours into chains. What hangs together as ink but fell apart as a skeleton (a speck
 * beside the main part) is left to the largest part.
 * @param pieceAt number of the piece of ink at a place.
 */
export function chainsOf(skeleton: Skeleton, pieceAt: (x: number, y: number) => number): ChainGraph {
  const { x, y, r, links } = skeleton;
  const kept = partsKept(skeleton, pieceAt);
  const chains: Chain[] = [];
  const forks = new Map<number, Fork>();
  const visited = new Uint8Array(x.length);
  const walked = new Set<string>();
  const walk = (start: number, second: number): void => {
    const nodes = [start];
    let before = start;
    let now = second;
    walked.add(`${start} ${second}`);
    for (;;) {
      nodes.push(now);
      if (links[now]!.length !== 2 || now === start) break;
      visited[now] = 1;
      const [a, b] = links[now] as [number, number];
      const to = a === before ? b : a;
      before = now;
      now = to;
    }
    walked.add(`${now} ${before}`);
    chains.push({
      x: nodes.map((k) => x[k]!),
      y: nodes.map((k) => y[k]!),
      r: nodes.map((k) => r[k]!),
      from: links[start]!.length > 2 ? start : null,
      to: links[now]!.length > 2 ? now : null,
      closed: now === start && links[start]!.length === 2,
      piece: kept[start]!,
    });
  };
  for (let i = 0; i < x.length; i++) {
    if (kept[i] === 0 || links[i]!.length === 2) continue;
    visited[i] = 1;
    if (links[i]!.length > 2) forks.set(i, { x: x[i]!, y: y[i]!, r: r[i]! });
    for (const to of links[i]!) if (!walked.has(`${i} ${to}`)) walk(i, to);
  }
  // What was not met has two neighbours everywhere: rings.
  for (let i = 0; i < x.length; i++) {
    if (kept[i] === 0 || visited[i]) continue;
    visited[i] = 1;
    walk(i, links[i]![0]!);
  }
  return { chains, forks };
}

/** For each node the piece of ink it belongs to, or 0 where it is in a speck of that piece's skeleton beside its lines. */
function partsKept({ x, y, r, links }: Skeleton, pieceAt: (x: number, y: number) => number): Int32Array {
  const n = x.length;
  const part = new Int32Array(n).fill(-1);
  const sizes: number[] = [];
  const pieces: number[] = [];
  const widest: number[] = [];
  const stack: number[] = [];
  for (let i = 0; i < n; i++) {
    if (part[i] !== -1) continue;
    const index = sizes.length;
    let [size, wide] = [0, 0];
    stack.push(i);
    part[i] = index;
    while (stack.length > 0) {
      const at = stack.pop()!;
      wide = Math.max(wide, r[at]!);
      for (const to of links[at]!) {
        size += Math.hypot(x[to]! - x[at]!, y[to]! - y[at]!);
        if (part[to] !== -1) continue;
        part[to] = index;
        stack.push(to);
      }
    }
    sizes.push(size);
    widest.push(wide);
    pieces.push(pieceAt(x[i]!, y[i]!));
  }
  const best = new Map<number, number>();
  sizes.forEach((size, index) => {
    const now = best.get(pieces[index]!);
    if (now === undefined || size > sizes[now]!) best.set(pieces[index]!, index);
  });
  // Each way of a part was gone twice. What is longer than it is wide is a line, wherever it touches another.
  const isLine = sizes.map((size, index) => size / 2 > 2 * widest[index]!);
  return part.map((index) => (best.get(pieces[index]!) === index || isLine[index] ? pieces[index]! : 0));
}

export const chainLength = (chain: { x: readonly number[]; y: readonly number[] }): number => {
  let sum = 0;
  for (let i = 1; i < chain.x.length; i++) {
    sum += Math.hypot(chain.x[i]! - chain.x[i - 1]!, chain.y[i]! - chain.y[i - 1]!);
  }
  return sum;
};
