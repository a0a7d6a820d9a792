import type { Piece } from '@/core/document';
import { blank, heldAtOrigin, shape } from './drawn';

/** Pens of our own drawing, each with its tip at the origin and leaning to the right, as a right hand holds it. */
const pen = (name: string, shapes: Parameters<typeof heldAtOrigin>[2]): Piece =>
  heldAtOrigin(blank(name, 50, 25), name, shapes);

const reedPen = () =>
  pen('Reed pen', [
    shape('M0 0 L6 -34 L30 -66 L40 -62 L26 -24 Z', '#6b4a1c'),
    shape('M30 -66 L182 -352 Q192 -362 204 -355 L212 -350 Q220 -342 214 -331 L56 -52 L40 -62 Z', '#d9a441'),
    shape('M56 -52 L214 -331 Q217 -338 213 -345 L50 -58 Z', '#a97a28'),
    shape('M96 -186 L116 -174 L112 -167 L92 -179 Z', '#8a6424'),
    shape('M146 -276 L166 -264 L162 -257 L142 -269 Z', '#8a6424'),
    shape('M3 -8 L22 -42 L24 -41 L4 -7 Z', '#2a1c0a'),
  ]);

const quill = () =>
  pen('Quill', [
    shape(
      'M70 -118 C60 -190 96 -300 196 -372 C252 -410 306 -412 330 -404 C322 -350 286 -270 214 -206 C164 -164 112 -134 70 -118 Z',
      '#ede6d8',
    ),
    shape(
      'M70 -118 C150 -160 240 -250 330 -404 C322 -350 286 -270 214 -206 C164 -164 112 -134 70 -118 Z',
      '#cfc4ad',
    ),
    shape('M104 -206 L132 -222 L110 -188 Z', '#8d8371'),
    shape('M196 -196 L224 -214 L190 -210 Z', '#8d8371'),
    shape('M0 0 L10 -30 C60 -120 180 -260 326 -402 C190 -246 90 -110 18 -24 Z', '#b9a982'),
    shape('M0 0 L10 -30 L20 -40 L28 -34 L18 -24 Z', '#4a3a20'),
  ]);

const pencil = () =>
  pen('Pencil', [
    shape('M0 0 L8 -26 L20 -18 Z', '#2c2620'),
    shape('M8 -26 L24 -66 L58 -44 L20 -18 Z', '#e2c79a'),
    shape('M24 -66 L176 -312 L193 -301 L41 -55 Z', '#2f7f72'),
    shape('M41 -55 L193 -301 L210 -290 L58 -44 Z', '#43b3a0'),
    shape('M176 -312 L186 -328 L220 -306 L210 -290 Z', '#c9b68f'),
    shape('M186 -328 L196 -344 Q206 -354 220 -345 Q234 -336 230 -322 L220 -306 Z', '#d1603f'),
  ]);

const brush = () =>
  pen('Brush', [
    shape('M0 0 C8 -28 14 -56 34 -82 C46 -92 62 -88 68 -74 C70 -54 40 -16 0 0 Z', '#33271a'),
    shape('M6 -10 C18 -34 28 -58 48 -80 C40 -56 26 -30 6 -10 Z', '#5d4a30'),
    shape('M34 -82 L52 -116 L86 -94 L68 -74 C62 -88 46 -92 34 -82 Z', '#b9a982'),
    shape(
      'M52 -116 C110 -214 176 -306 222 -356 C232 -364 242 -356 238 -346 C210 -286 148 -190 86 -94 Z',
      '#8f2a10',
    ),
    shape(
      'M69 -105 C124 -200 190 -296 236 -352 C240 -350 240 -348 238 -346 C210 -286 148 -190 86 -94 Z',
      '#6a1d0a',
    ),
  ]);

export const PENS: readonly { readonly id: string; readonly piece: Piece }[] = [
  { id: 'reed-pen', piece: reedPen() },
  { id: 'quill', piece: quill() },
  { id: 'pencil', piece: pencil() },
  { id: 'brush', piece: brush() },
];
