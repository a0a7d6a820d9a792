import { commandsBounds, commandsOf, compose, transformCommands, translation, unite } from '../../geometry';
import { scaled } from '../../properties';
import { colourOfArt, layerSchema, type Art } from '../schema';
import { PLAIN, type LayerKind } from './kind';

/** Finished artwork from a vector file. */
export const ART_KIND: LayerKind<Art> = {
  ...PLAIN,
  box: (art) =>
    unite(
      art.shapes.flatMap((shape) => {
        const m = compose(art.transform, shape.transform);
        return commandsBounds(transformCommands(commandsOf(shape.data), m)) ?? [];
      }),
    ),
  moved: (art, by) => ({ ...art, transform: compose(translation(by.x, by.y), art.transform) }),
  scaled: (art, factor, about) => scaled(layerSchema, art, factor, about),
  colour: colourOfArt,
  fields: () => ['image'],
  held: ({ name }, kind) => (kind === 'image' ? name : null),
};
