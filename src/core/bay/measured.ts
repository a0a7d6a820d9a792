import { luma, type Pixels } from './lay';

/** How a picture as it is received compares with the piece over the same ground; all of 255. */
export interface Measured {
  /** Mean of how much brighter soft edges are than they should be: a fringe. Negative where they are darker. */
  readonly fringe: number;
  /** Mean distance of colour where the ink is whole. */
  readonly ink: number;
  /** Mean distance where nothing should be. */
  readonly around: number;
  /** How many pixels there are of each. */
  readonly edges: number;
  readonly solid: number;
  readonly empty: number;
}

/**
 * Compares what is received with what is wanted.
 * @param shown opaque pixels as they are received.
 * @param wanted opaque pixels of the piece over the same ground.
 * @param piece straight pixels of the piece: their alpha says what is edge and what is ink.
 */
export function measure(shown: Pixels, wanted: Pixels, piece: Pixels): Measured {
  let [fringe, ink, around, edges, solid, empty] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < piece.length; i += 4) {
    const alpha = piece[i + 3]!;
    let off = 0;
    for (let c = i; c < i + 3; c++) off += Math.abs(shown[c]! - wanted[c]!) / 3;
    if (alpha === 0) {
      around += off;
      empty++;
    } else if (alpha === 255) {
      ink += off;
      solid++;
    } else {
      fringe += luma(shown, i) - luma(wanted, i);
      edges++;
    }
  }
  const mean = (sum: number, count: number): number => (count > 0 ? sum / count : 0);
  return {
    fringe: mean(fringe, edges),
    ink: mean(ink, solid),
    around: mean(around, empty),
    ...{ edges, solid, empty },
  };
}
