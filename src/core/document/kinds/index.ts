// What differs between kinds of layers: one entry a kind.
import type { Layer } from '../schema';
import { ART_KIND } from './art-kind';
import type { LayerKind } from './kind';
import { LETTERING_KIND } from './lettering-kind';
import { NESTED_KIND } from './nested-kind';
import { STROKE_KIND } from './stroke-kind';

export type { LayerKind } from './kind';

/** Every kind of layer. What a scene shows of it and how the editor speaks of it stand in tables of their own, by the same names. */
const LAYER_KINDS: { readonly [K in Layer['type']]: LayerKind<Extract<Layer, { type: K }>> } = {
  stroke: STROKE_KIND,
  art: ART_KIND,
  lettering: LETTERING_KIND,
  piece: NESTED_KIND,
};

/** What is known of the kind that a layer is of. */
export const kindOf = <L extends Layer>(layer: L): LayerKind<L> =>
  LAYER_KINDS[layer.type] as unknown as LayerKind<L>;
