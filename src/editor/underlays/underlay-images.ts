import { pictureAddress } from '@/contract';
import type { Underlay } from '@/core/document';

const images = new Map<string, HTMLImageElement>();
/** Heard when a picture has arrived, so that the canvas is painted anew. */
const listeners = new Set<() => void>();

export function onUnderlayLoaded(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The pixels of an underlay once they are here; asks for them the first time. */
export function underlayImage({ asset }: Pick<Underlay, 'asset'>): HTMLImageElement | null {
  let image = images.get(asset);
  if (!image) {
    image = new Image();
    image.decoding = 'async';
    image.onload = () => listeners.forEach((listener) => listener());
    image.src = pictureAddress(asset);
    images.set(asset, image);
  }
  return image.complete && image.naturalWidth > 0 ? image : null;
}
