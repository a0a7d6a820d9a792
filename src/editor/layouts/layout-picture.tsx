'use client';
import { inkBounds } from '@/core/draw';
import { useEffect, useRef } from 'react';
import type { Piece } from '@/core/document';
import type { Bounds } from '@/core/geometry';
import { paint } from '@/core/paint';
import { evaluate, posterFrame } from '@/core/scene';
import { inIdle } from '@/ui';
import { newCanvas } from '@/workers/new-canvas';

/** Room left round what is shown, as a share of the picture. */
const ROOM = 0.1;

/** The part of a piece that is shown: as much as holds its ink, in the piece's own proportions. */
function around(ink: Bounds | null, size: Piece['size'], width: number) {
  if (!ink) return { left: 0, top: 0, scale: width / size.width };
  const [w, h] = [(ink.right - ink.left) * (1 + 2 * ROOM), (ink.bottom - ink.top) * (1 + 2 * ROOM)];
  const share = Math.min(1, Math.max(w / size.width, h / size.height));
  const [cx, cy] = [(ink.left + ink.right) / 2, (ink.top + ink.bottom) / 2];
  const edge = (middle: number, side: number): number =>
    Math.min(side * (1 - share), Math.max(0, middle - (side * share) / 2));
  return {
    left: edge(cx, size.width),
    top: edge(cy, size.height),
    scale: width / (size.width * share),
  };
}

/** The picture of a piece, painted once. */
function painted(piece: Piece, width: number, height: number): HTMLCanvasElement {
  const known = pictures.get(piece);
  if (known?.width === width && known.height === height) return known;
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width, height];
  const context = canvas.getContext('2d')!;
  context.fillStyle = piece.over ?? '#22303a';
  context.fillRect(0, 0, width, height);
  const list = evaluate(piece, posterFrame(piece));
  const { left, top, scale } = around(
    inkBounds(list, piece.size.width, piece.size.height),
    piece.size,
    width,
  );
  context.translate(-left * scale, -top * scale);
  paint(list, context, newCanvas, scale);
  pictures.set(piece, canvas);
  return canvas;
}
const pictures = new WeakMap<Piece, HTMLCanvasElement>();

/** A layout as it looks where it is all there. */
export function LayoutPicture({ piece, width }: { piece: Piece; width: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const height = Math.round((width * piece.size.height) / piece.size.width);
  useEffect(() => {
    const { width: w, height: h } = canvas.current!;
    const show = () => canvas.current?.getContext('2d')!.drawImage(painted(piece, w, h), 0, 0);
    if (!pictures.has(piece)) return inIdle(show);
    show();
    return undefined;
  }, [piece, width, height]);
  const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
  return (
    <canvas
      ref={canvas}
      width={Math.round(width * ratio)}
      height={Math.round(height * ratio)}
      style={{ width, height, display: 'block', borderRadius: 5 }}
      aria-hidden
    />
  );
}
