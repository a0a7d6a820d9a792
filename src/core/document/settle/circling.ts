import { groupsAround, layersOf } from '../parts';
import { strokesOf, type Piece, type Stroke } from '../schema';

/** What of a stroke can hang on others by itself. */
type Part = 'path' | 'width' | 'colour' | 'dashes' | 'time';
type Node = `${Part} ${string}`;

/** What a part of a stroke hangs on, by the ways in which it follows others. */
function reasonsOf(piece: Piece, stroke: Stroke): [Node, Node[]][] {
  const { id, ties = [], fitted, between, cue } = stroke;
  const shapes = (of: string): Node[] =>
    layersOf(piece, of).flatMap((layer): Node[] => [`path ${layer}`, `width ${layer}`]);
  const line = groupsAround(piece, stroke).find((group) => group.line);
  const mates = line ? strokesOf(piece).filter(({ group }) => group === line.id) : [];
  return [
    ...ties.map(({ property, to }): [Node, Node[]] => [`${property} ${id}`, [`${property} ${to}`]]),
    ...(fitted
      ? ([
          [`path ${id}`, shapes(fitted.to)],
          [`width ${id}`, fitted.slice ? shapes(fitted.to) : []],
        ] as [Node, Node[]][])
      : []),
    ...(between
      ? ([[`path ${id}`, [...shapes(between.from), ...shapes(between.to)]]] as [Node, Node[]][])
      : []),
    ...(cue ? ([[`time ${id}`, [`time ${cue.to}`, `path ${cue.to}`]]] as [Node, Node[]][]) : []),
    ...(line ? ([[`time ${id}`, mates.map((mate): Node => `path ${mate.id}`)]] as [Node, Node[]][]) : []),
  ];
}

/** Leaves out, again and again, what hangs on nothing that is left. */
function trimmed(edges: ReadonlyMap<Node, ReadonlySet<Node>>, among: ReadonlySet<Node>): Set<Node> {
  const left = new Set(among);
  const dependents = new Map<Node, Node[]>();
  const open = new Map<Node, number>();
  for (const node of left) {
    const on = [...(edges.get(node) ?? [])].filter((other) => left.has(other));
    open.set(node, on.length);
    for (const other of on) dependents.set(other, [...(dependents.get(other) ?? []), node]);
  }
  const free = [...left].filter((node) => open.get(node) === 0);
  for (let node = free.pop(); node !== undefined; node = free.pop()) {
    left.delete(node);
    for (const dependent of dependents.get(node) ?? []) {
      open.set(dependent, open.get(dependent)! - 1);
      if (open.get(dependent) === 0) free.push(dependent);
    }
  }
  return left;
}

/**
 * Strokes that hang on themselves by way of others, in different ways in turn: a path that follows a stroke that keeps to its box.
 * Circles of one way alone are kept out by the schema.
 */
export function circlingStrokes(piece: Piece): Set<string> {
  const strokes = strokesOf(piece);
  if (!strokes.some(({ fitted, between }) => fitted || between)) return new Set();
  const edges = new Map<Node, Set<Node>>();
  for (const stroke of strokes)
    for (const [node, on] of reasonsOf(piece, stroke))
      edges.set(node, new Set([...(edges.get(node) ?? []), ...on]));
  const hanging = trimmed(edges, new Set([...edges.keys(), ...[...edges.values()].flatMap((on) => [...on])]));
  // What only hangs on a circle is no part of it: seen the other way round it hangs on nothing.
  const back = new Map<Node, Set<Node>>();
  for (const [node, on] of edges)
    for (const other of on) back.set(other, new Set([...(back.get(other) ?? []), node]));
  return new Set([...trimmed(back, hanging)].map((node) => node.slice(node.indexOf(' ') + 1)));
}
