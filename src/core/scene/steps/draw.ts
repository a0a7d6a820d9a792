import { kept } from '../../draw';
import { groupsAround, membersOf, type Group, type Layer, type Part } from '../../document';
import { knockedOut } from '../knocked-out';
import { unhidden } from '../reveal';
import type { Ask, Items, Scene, Step } from './step';

/** The parts of the picture that some layers make up within a group (or anywhere), from below to above: groups as a whole. */
function partsOf({ piece }: Scene, layers: readonly Layer[], within: Group | null): Part[] {
  const parts = layers.map((layer) => {
    const around = groupsAround(piece, layer);
    return around[(within ? around.indexOf(within) : around.length) - 1] ?? layer;
  });
  return [...new Set<Part>(parts)];
}

/** What some layers show together that lie within a group, or anywhere. */
export function itemsOf(
  layers: readonly Layer[],
  within: Group | null,
  { scene, when, as }: Omit<Ask, 'part'>,
): Items {
  const shown = as === 'seen' ? layers.filter((layer) => !scene.onlyThrough.has(layer.id)) : layers;
  return partsOf(scene, shown, within).flatMap((part) => scene.show(part, when, as));
}

function groupItems(group: Group, ask: Ask): Items {
  const { piece } = ask.scene;
  const items = itemsOf(membersOf(piece, group.id), group, ask);
  // What cuts out what lies under it cuts out no more than its own group.
  const cutsOut = (one: Part): boolean => one.group === group.id && one.blend === 'xor';
  const knocksOut = piece.layers.some(cutsOut) || piece.groups.some(cutsOut);
  return kept(group, `items ${ask.as}`, [knocksOut, items.length, ...items], () =>
    knocksOut ? knockedOut(items) : items,
  );
}

/** What a layer draws by itself, or a group holds. */
export const draw: Step = (ask) => {
  const { scene, part, when, as } = ask;
  if (!('type' in part)) return groupItems(part, ask);
  const { frame, variant } = when;
  if (as === 'seen') return scene.own(part, frame, variant);
  // A hidden layer does its work as a matte. It goes as far as it is told, and stays as wide as it is.
  return scene.own(unhidden(part), frame, variant && { ...variant, width: 1 });
};
