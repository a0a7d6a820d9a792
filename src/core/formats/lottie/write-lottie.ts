import { flatMattes, type DrawList } from '../../draw';
import { tracksOf } from '../tracks';
import { Assets, numbered, stacked } from './layers';
import { short } from './values';

/** Version 1.0.0 of the specification, in the digits it is written by. */
const VERSION = 10000;

/** A film as it is written: its frames one after another, in piece pixels. */
interface LottieFilm {
  readonly name: string;
  readonly lists: readonly DrawList[];
  readonly framesPerSecond: number;
}

/**
 * A film in the vector animation JSON of the Lottie Specification 1.0: strokes that grow are trimmed paths, groups seen through
 * others are matted layers, colours, widths and opacities are keyed. Blurs (glows, shadows, soft edges) have no word in it and are
 * left out; what changes its shape stands frame by frame.
 */
export function writeLottie({ name, lists, framesPerSecond }: LottieFilm): string {
  const { width, height } = lists[0]!;
  const assets = new Assets(lists.length, width, height);
  const layers = numbered(stacked(assets, tracksOf(lists.map(({ items }) => flatMattes(items)))));
  // Where any layer is blended all say how they are: players go on with what the layer before said (lottie-web on canvas, seen).
  const isBlended = [layers, ...assets.all.map((asset) => asset.layers)].flat().some(({ bm }) => bm);
  const said = (all: typeof layers) => (isBlended ? all.map((layer) => ({ bm: 0, ...layer })) : all);
  return `${JSON.stringify({
    ...{ v: '5.9.0', ver: VERSION, nm: name, fr: short(framesPerSecond, 4), ip: 0, op: lists.length },
    ...{ w: width, h: height },
    ...{
      assets: assets.all.map((asset) => ({ ...asset, layers: said(asset.layers) })),
      layers: said(layers),
    },
  })}\n`;
}
