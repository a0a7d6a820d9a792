import { newArt, newPiece, newStroke, setPlace, type Art, type Ink, type Piece } from '@/core/document';
import { IDENTITY, pathData, readPathData, type Path } from '@/core/geometry';

/** Accents are made for a picture of this size, about its middle. */
export const SIZE = { width: 1920, height: 1080 } as const;
export const MIDDLE = { x: 960, y: 540 } as const;

export const COLOURS = {
  minium: '#ff6b3d',
  vellum: '#ede6d8',
  verdigris: '#43b3a0',
  reed: '#d9a441',
} as const;

/** An empty accent, so many frames long, looked at best at one of them. */
export const blank = (name: string, length: number, best: number): Piece => ({
  ...newPiece(name, SIZE, { numerator: 25, denominator: 1 }, length),
  hold: { from: best, to: Math.min(length, best + 1) },
});

/** A stroke that turns about the middle of the picture. */
export const stroke = (piece: Piece, id: string, name: string, path: Path, look: Ink): Piece =>
  setPlace({ ...piece, layers: [...piece.layers, newStroke(id, name, path, look)] }, id, 0, {
    pivotX: MIDDLE.x,
    pivotY: MIDDLE.y,
    x: 0,
    y: 0,
  });

/** A filled shape of art. */
export const shape = (data: string, fill: string): Art['shapes'][number] => ({
  data: pathData(readPathData(data).commands),
  fill,
  fillOpacity: 1,
  rule: 'nonzero',
  line: null,
  transform: IDENTITY,
});

/** Art that is carried by a point of it: what lies at its origin. */
export function heldAtOrigin(piece: Piece, name: string, shapes: Art['shapes']): Piece {
  const art = newArt('pen', name, { shapes, groups: [] }, [1, 0, 0, 1, MIDDLE.x, MIDDLE.y]);
  return setPlace({ ...piece, layers: [art] }, 'pen', 0, { pivotX: MIDDLE.x, pivotY: MIDDLE.y, x: 0, y: 0 });
}
