import { z } from 'zod';
import { blendSchema } from '../../draw';
import { effectsSchema } from '../../effects';
import { FACTS } from '../../properties';
import { maskSchema, MOST_MASKS } from './mask';
import { placementSchema } from './placement';
import { revealSchema } from './reveal';

/** What layers and groups alike may have done to them. */
export const placedParts = {
  /** How it is put into the picture; where absent it stands as it was made. */
  place: placementSchema.exactOptional(),
  /** Where it is shown within its own coordinates; before it is placed. */
  masks: z
    .array(maskSchema)
    .max(MOST_MASKS)
    .readonly()
    .exactOptional()
    .register(FACTS, { kind: 'parts', name: 'Mask' }),
  /** What it is seen through; where absent it is seen as it is. */
  reveal: revealSchema.exactOptional(),
  /** What is done to it once it is placed and uncovered, one effect after another. */
  effects: effectsSchema.exactOptional(),
  /** Left sharp where the piece has motion blur. */
  unblurred: z.literal(true).exactOptional(),
  /** How its colours meet what lies under it; where absent they lie over it. */
  blend: blendSchema.exactOptional(),
};
