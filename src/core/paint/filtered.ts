import type { Filter } from '../draw';
import type { MakeCanvas } from './context';
import { giveBack, layDown, takeLayer, type Layer } from './layers';

/** The same pixels blurred. */
function blurred(layer: Layer, deviation: number, make: MakeCanvas): Layer {
  const to = takeLayer(make, layer.width, layer.height);
  to.context.filter = `blur(${deviation}px)`;
  layDown(layer, to.context, 0, 0);
  to.context.filter = 'none';
  giveBack(make, layer);
  return to;
}

/** The same pixels times a factor: laid onto one another as light, the last time in part. */
function gained(layer: Layer, factor: number, make: MakeCanvas): Layer {
  const to = takeLayer(make, layer.width, layer.height);
  to.context.globalCompositeOperation = 'lighter';
  for (let rest = factor; rest > 0; rest--) {
    to.context.globalAlpha = Math.min(1, rest);
    layDown(layer, to.context, 0, 0);
  }
  giveBack(make, layer);
  return to;
}

/** Coefficients of red, green and blue in luma: ITU-R BT.709. */
const LUMA = [0.2126, 0.7152, 0.0722] as const;

/** Turns how bright pixels are into how much they cover. */
function setAlphaFromBrightness({ context, width, height }: Layer): void {
  const image = context.getImageData(0, 0, width, height);
  const { data } = image;
  for (let i = 0; i < data.length; i += 4) {
    const luma = (LUMA[0] * data[i]! + LUMA[1] * data[i + 1]! + LUMA[2] * data[i + 2]!) / 255;
    data[i + 3] = Math.round(luma * data[i + 3]!);
    data[i] = data[i + 1] = data[i + 2] = 0;
  }
  context.putImageData(image, 0, 0);
}

/** All of a layer in one colour. */
function tint({ context, width, height }: Layer, colour: string): void {
  context.globalAlpha = 1;
  context.globalCompositeOperation = 'source-in';
  context.fillStyle = colour;
  context.fillRect(0, 0, width, height);
  context.globalCompositeOperation = 'source-over';
}

/**
 * A soft edge made a sharp one again: alpha about a half is spread, colours stay what they were.
 * @param slope pixels over which the edge of a Gaussian would run if it ran evenly: it comes to one.
 */
function sharpen({ context, width, height }: Layer, slope: number): void {
  const steep = Math.max(1, slope);
  const image = context.getImageData(0, 0, width, height);
  const { data } = image;
  for (let i = 3; i < data.length; i += 4) {
    const alpha = data[i]!;
    if (alpha > 0) data[i] = Math.min(255, Math.max(0, Math.round((alpha - 127.5) * steep + 127.5)));
  }
  context.putImageData(image, 0, 0);
}

/**
 * A layer with a filter done; where it stands was settled before.
 * @param scale piece pixels to the layer's.
 */
export function filtered(layer: Layer, filter: Filter, scale: number, make: MakeCanvas): Layer {
  switch (filter.kind) {
    case 'blur':
      return blurred(layer, filter.deviation * scale, make);
    case 'gain':
      return filter.factor === 1 ? layer : gained(layer, filter.factor, make);
    case 'tint':
      tint(layer, filter.colour);
      return layer;
    case 'alpha from brightness':
      setAlphaFromBrightness(layer);
      return layer;
    case 'sharpen':
      sharpen(layer, filter.deviation * scale * Math.sqrt(2 * Math.PI));
      return layer;
    case 'shift':
      return layer;
  }
}
