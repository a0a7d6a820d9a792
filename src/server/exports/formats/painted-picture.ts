import { createCanvas } from '@napi-rs/canvas';
import { itemBounds, type GroupItem, type Picture } from '@/core/draw';
import { paint } from '@/core/paint';

/** Pixels of a picture within a file of shapes to one of the piece: sharp on dense screens and on paper. */
const DENSITY = 2;
/** Pixels of a side at most: pictures of the largest pieces are no denser than these. */
const MOST_SIDE = 8192;

/**
 * A group painted as a PNG that a file of shapes can hold, no larger than what is seen of it.
 * @param size of the picture that it is seen in, px.
 */
export function paintedPicture(
  group: GroupItem,
  size: { readonly width: number; readonly height: number },
): Picture | null {
  const bounds = itemBounds(group);
  if (!bounds) return null;
  const [x, y] = [Math.max(0, Math.floor(bounds.left)), Math.max(0, Math.floor(bounds.top))];
  const width = Math.min(size.width, Math.ceil(bounds.right)) - x;
  const height = Math.min(size.height, Math.ceil(bounds.bottom)) - y;
  if (width <= 0 || height <= 0) return null;
  const density = Math.min(DENSITY, MOST_SIDE / Math.max(width, height));
  const canvas = createCanvas(Math.ceil(width * density), Math.ceil(height * density));
  const context = canvas.getContext('2d');
  context.translate(-x * density, -y * density);
  paint({ ...size, items: [group] }, context, createCanvas, density);
  return { href: canvas.toDataURL('image/png'), x, y, width, height };
}
