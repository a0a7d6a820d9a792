import type { Piece } from '@/core/document';

/** The lists of a document whose parts have names, and what one of them is called. */
const NAMED: Record<string, string> = {
  layers: 'layer',
  groups: 'group',
  underlays: 'underlay',
  markers: 'marker',
  styles: 'style',
  pins: 'pin',
  fields: 'field',
};

/** A place in a document, as `layers.3.name`, as people would find it; null for the document as a whole. */
export function placeInWords(piece: Piece, path: string): string | null {
  const [list, index, ...rest] = path.split('.');
  if (!list) return null;
  const kind = NAMED[list];
  if (!kind || index === undefined)
    return list === 'name' ? 'The name of the piece' : `“${list}” of the piece`;
  const parts = (piece as unknown as Record<string, readonly { name?: unknown }[] | undefined>)[list];
  const name = parts?.[Number(index)]?.name;
  const called =
    rest.at(-1) !== 'name' && typeof name === 'string'
      ? `the ${kind} “${name}”`
      : `${kind} ${Number(index) + 1}`;
  return rest.length === 0
    ? called.replace(/^t/, 'T')
    : `The ${rest.filter((part) => !/^\d+$/.test(part)).join(' ')} of ${called}`;
}
