import { carriedCycle } from './carried-cycle';
import { cueCycle } from './cue';
import { LIMITS } from './limits';
import { revealCycle } from './reveal';
import { tieCycle } from './ties';

type Of<F extends (parts: never, others: never) => unknown> = Parameters<F>[0][number];
type Group = Of<typeof revealCycle> & Of<typeof carriedCycle>;
/** As much of a layer as is checked; what only one kind has is looked for there alone. */
type Layer = Group &
  Of<typeof tieCycle> &
  Of<typeof cueCycle> & { readonly type: string; readonly content?: object };
type Layers = readonly Layer[];
type Groups = readonly Group[];

/** Where checks of a document put what they find. */
interface Finds {
  addIssue(issue: { code: 'custom'; path: PropertyKey[]; message: string }): void;
}

/** What layers must not be to one another: two of one id, strokes that wait for or follow themselves. */
export function checkLayers(layers: Layers, finds: Finds): void {
  const seen = new Set<string>();
  layers.forEach((layer, i) => {
    if (seen.has(layer.id)) {
      finds.addIssue({ code: 'custom', path: [i, 'id'], message: `is used twice: ${layer.id}` });
    }
    seen.add(layer.id);
  });
  const strokes = layers.filter((layer) => layer.type === 'stroke');
  const circles = [
    { id: tieCycle(strokes), place: 'ties', message: 'follow one another in a circle' },
    { id: cueCycle(strokes), place: 'cue', message: 'waits for itself through others' },
  ];
  for (const { id, place, message } of circles) {
    if (id === null) continue;
    const at = layers.findIndex((layer) => layer.id === id);
    finds.addIssue({ code: 'custom', path: [at, place], message });
  }
}

/** How many pieces lie within one another at most; one that holds no other counts for none. */
const depthOf = (layers: Layers): number =>
  layers.reduce(
    (most, layer) =>
      layer.type === 'piece'
        ? Math.max(most, 1 + depthOf((layer.content as { layers: Layers }).layers))
        : most,
    0,
  );

/** What layers and groups must not be to one another: pieces in pieces without end, what shows or carries itself. */
export function checkPiece({ layers, groups }: { layers: Layers; groups: Groups }, finds: Finds): void {
  const placeOf = (id: string): PropertyKey[] => {
    const layer = layers.findIndex((one) => one.id === id);
    return layer >= 0 ? ['layers', layer] : ['groups', groups.findIndex((one) => one.id === id)];
  };
  const deep = layers.findIndex((layer) => depthOf([layer]) > LIMITS.nested);
  if (deep >= 0)
    finds.addIssue({
      code: 'custom',
      path: ['layers', deep, 'content'],
      message: `holds pieces within pieces more than ${LIMITS.nested} deep`,
    });
  const shown = revealCycle(layers, groups);
  if (shown !== null)
    finds.addIssue({
      code: 'custom',
      path: [...placeOf(shown), 'reveal'],
      message: 'is shown through itself',
    });
  const carried = carriedCycle(layers, groups);
  if (carried !== null)
    finds.addIssue({ code: 'custom', path: placeOf(carried), message: 'is carried along by itself' });
}
