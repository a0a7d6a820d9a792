import type { Piece } from '../src/core/document';
import { boxedStrip } from '../src/layouts';

/** The name strip of an invented contributor: a box drops over the name in slices and knocks it out. */
export const nameStrip = (): Piece => ({ ...boxedStrip(), name: 'Name strip', over: '#2f3a2c' });
