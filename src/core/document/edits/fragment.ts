import { z } from 'zod';
import { asWholes, changed, groupsAround, membersOf } from '../parts';
import { withIdsRenamed } from '../read';
import { groupSchema, layerSchema, type Group, type Layer, type Piece, type Stroke } from '../schema';
import { addLayers, freeName } from './layers';

const fragmentSchema = z.strictObject({ layers: z.array(layerSchema), groups: z.array(groupSchema) });

/** Layers taken out of a piece, with the groups that are among them as wholes. */
interface Fragment {
  readonly layers: readonly Layer[];
  readonly groups: readonly Group[];
}

/** Some layers of a piece as they are, ready to be put beside themselves or into another piece. */
export function fragmentOf(piece: Piece, ids: readonly string[]): Fragment {
  const wholes = new Set(asWholes(piece, ids));
  const groups = piece.groups.filter(
    (group) => wholes.has(group.id) || groupsAround(piece, group).some((around) => wholes.has(around.id)),
  );
  return { layers: piece.layers.filter((layer) => ids.includes(layer.id)), groups };
}

/** A fragment as a copy put into a piece: the piece, and the ids of the layers that were made. */
export interface Put {
  readonly piece: Piece;
  readonly ids: readonly string[];
}

/**
 * Puts copies of a fragment into a piece. Groups become groups of their own; what names something within the fragment (mattes,
 * ties, cues, parents, what a stroke was traced from) names its copy, all else still names what it did.
 * @param newId gives ids that none of the piece bears.
 * @param after the layer they stand after; where none is given, last.
 */
export function withFragment(piece: Piece, fragment: Fragment, newId: () => string, after?: string): Put {
  const names = new Map([...fragment.layers, ...fragment.groups].map(({ id }) => [id, newId()]));
  const copy = withIdsRenamed(fragmentSchema, fragment, names);
  const there = new Set(piece.groups.map((group) => group.id));
  const made = new Set(copy.groups.map((group) => group.id));
  const taken = new Set([...piece.layers, ...piece.groups].map((one) => one.name));
  const outermost = new Set(copy.groups.filter((g) => !made.has(g.group ?? '')).map((g) => g.id));
  const fresh = (name: string): string => {
    const free = taken.has(name) ? freeName(name, taken) : name;
    taken.add(free);
    return free;
  };
  /** Without the group it lay in, where the piece has no such group. */
  const homed = <P extends Layer | Group>(one: P): P =>
    one.group === undefined || made.has(one.group) || there.has(one.group)
      ? one
      : (changed<Layer | Group>(one, { group: undefined }) as P);
  const layers = copy.layers.map((layer): Layer => {
    // Within a copied group names stay: it is the group that has another.
    const inGroup = layer.group !== undefined && made.has(layer.group);
    const named = homed(inGroup ? layer : { ...layer, name: fresh(layer.name) });
    // Strokes copied without what they were traced from are strokes like any others.
    return named.type === 'stroke' && named.traced && !layersHave(copy, named.traced.from)
      ? changed<Stroke>(named, { traced: undefined })
      : named;
  });
  const groups = copy.groups.map((group) =>
    homed(outermost.has(group.id) ? { ...group, name: fresh(group.name) } : group),
  );
  const joined = addLayers({ ...piece, groups: [...piece.groups, ...groups] }, layers, after);
  return { piece: joined, ids: layers.map((layer) => layer.id) };
}

const layersHave = (fragment: Fragment, id: string): boolean =>
  fragment.layers.some((layer) => layer.id === id);

/** Copies of layers right after the last of them; whole groups become groups of their own. */
export function duplicateLayers(piece: Piece, ids: readonly string[], newId: () => string): Put {
  const fragment = fragmentOf(piece, ids);
  const last = fragment.layers.at(-1);
  if (!last) return { piece, ids: [] };
  // A copy of a whole group stands after all of it.
  const around = groupsAround(piece, last).findLast((group) => fragment.groups.includes(group));
  const after = around ? membersOf(piece, around.id).at(-1)!.id : last.id;
  return withFragment(piece, fragment, newId, after);
}
