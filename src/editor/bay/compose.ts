import { wholeSettings, type Received, type Transparency } from '@/contract';
import {
  writeDifference,
  lay,
  measure,
  natureOf,
  type Measured,
  type Nature,
  type Pixels,
  type Way,
} from '@/core/bay';

/** What kinds of file the ways of leaving make. */
const NATURE_OF: Readonly<Record<Transparency, Nature>> = {
  straight: 'straight',
  premultiplied: 'premultiplied',
  edge: 'hard',
  over: 'opaque',
  matte: 'fill straight',
  key: 'fill premultiplied',
};

/** How each kind of file is taken as it is meant. */
export const MEANT: Readonly<Record<Nature, Way>> = {
  straight: 'straight',
  premultiplied: 'premultiplied',
  hard: 'straight',
  opaque: 'ignored',
  'fill straight': 'matte',
  'fill premultiplied': 'key',
};

/** What is known of a file's kind by the export it came from. */
export const knownNature = ({ export: from }: Received): Nature | null =>
  from ? NATURE_OF[wholeSettings(from.settings).transparency] : null;

/** What is looked at: all of one size. */
export interface Composed {
  /** What the receiver shows; opaque. */
  readonly shown: Pixels;
  /** The piece over the same ground, where it is known; opaque. */
  readonly wanted: Pixels | null;
  readonly difference: Pixels | null;
  readonly measured: Measured | null;
  /** What the file is; null where nothing tells. */
  readonly nature: Nature | null;
}

interface Composing {
  readonly picture: Pixels;
  readonly matte: Pixels | null;
  readonly way: Way;
  readonly ground: Pixels;
  /** What lies beneath in the file itself, as pixels: that is what the piece is compared over. */
  readonly within: Pixels | null;
  /** The piece's own frame, straight. */
  readonly piece: Pixels | null;
  readonly gain: number;
  readonly known: Nature | null;
}

/** Lays a frame over its ground as a receiver does, and compares it with the piece. */
export function compose({ picture, matte, way, ground, within, piece, gain, known }: Composing): Composed {
  const empty = () => new Uint8ClampedArray(picture.length);
  const shown = empty();
  lay(way, picture, matte, ground, shown);
  const nature = known ?? natureOf(picture, matte);
  if (!piece) return { shown, wanted: null, difference: null, measured: null, nature };
  const wanted = empty();
  lay('straight', piece, null, way === 'ignored' && within ? within : ground, wanted);
  const difference = empty();
  writeDifference(shown, wanted, gain, difference);
  return { shown, wanted, difference, measured: measure(shown, wanted, piece), nature };
}
