import { useQuery } from '@tanstack/react-query';
import { LAYOUT_LIST } from '@/contract';
import {
  fillColour,
  fillImage,
  fillNumber,
  insertLayout,
  lastKeyedFrame,
  newArt,
  layersOf,
  textsOf,
  type Field,
  type Piece,
} from '@/core/document';
import { IDENTITY } from '@/core/geometry';
import { layerBounds } from '@/core/scene';
import { notify } from '@/ui';
import { fetchReaders, MOST_SVG } from '../importing';
import { changeSetting } from '../lettering';
import { call } from '../saving';
import { edit, newId, select, useEditor } from '../state';

/** The layouts that ship with Obelus. */
export const useLayouts = () =>
  useQuery({ queryKey: ['layouts'], queryFn: () => call(LAYOUT_LIST, {}), staleTime: Infinity });

/** Puts a layout into the piece at the frame shown, and takes it in hand. */
export function insertHere(layout: Piece): void {
  const { frame, piece: before } = useEditor.getState();
  const at = before.layers.length === 0 ? 0 : Math.round(frame);
  edit((piece) => insertLayout(piece, layout, at, newId));
  const { piece } = useEditor.getState();
  const known = new Set(before.groups.map(({ id }) => id));
  const made = piece.groups.find((group) => !known.has(group.id));
  if (made) select({ layers: layersOf(piece, made.id) });
  if (lastKeyedFrame(piece) > piece.length - 1)
    notify(`“${layout.name}” goes on after the end of the piece. Make the piece longer, or move its keys.`);
}

/** Fills a field; texts are shaped by the server first. */
export function fillField(field: Field, value: string | number): void {
  if (field.kind === 'text') {
    for (const { id } of textsOf(useEditor.getState().piece, field))
      void changeSetting(id, { text: String(value) }, 'text');
  } else if (field.kind === 'face') {
    for (const { id, setting } of textsOf(useEditor.getState().piece, field))
      // The server takes the nearest weight that the face has; axes are those of one face alone.
      void changeSetting(id, { face: { id: String(value), weight: setting.face.weight } }, 'face');
  } else if (field.kind === 'colour')
    edit((piece) => fillColour(piece, field, String(value)), `field ${field.name}`);
  else if (field.kind === 'number')
    edit((piece) => fillNumber(piece, field, Number(value)), `field ${field.name}`);
}

/** Puts the shapes of an SVG file in the place of what an image field holds, as large as fits its box. */
export async function fillFromFile(field: Field, file: File): Promise<void> {
  try {
    if (file.size > MOST_SVG) throw new Error(`It is larger than ${MOST_SVG / 1024 / 1024} MB.`);
    const { readSvg } = await fetchReaders();
    const read = readSvg(await file.text());
    const { piece } = useEditor.getState();
    const art = piece.layers.find((layer) => layer.type === 'art' && field.of.includes(layer.id));
    const box = art && layerBounds(art);
    if (art?.type !== 'art' || !box) return;
    if (read.shapes.length === 0) throw new Error('There are no shapes in it.');
    const plain = layerBounds(newArt('plain', 'Plain', read, IDENTITY));
    if (!plain) throw new Error('There is nothing to be seen in it.');
    const k = Math.min(
      (box.right - box.left) / (plain.right - plain.left),
      (box.bottom - box.top) / (plain.bottom - plain.top),
    );
    const x = (box.left + box.right) / 2 - ((plain.left + plain.right) / 2) * k;
    const y = (box.top + box.bottom) / 2 - ((plain.top + plain.bottom) / 2) * k;
    edit((p) => fillImage(p, field, read, [k, 0, 0, k, x, y]));
  } catch (error) {
    notify(`This file can’t be used here: ${(error as Error).message} Nothing was changed.`);
  }
}
