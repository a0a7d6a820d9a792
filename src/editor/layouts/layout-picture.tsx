'use client';
import { useEffect, useRef } from 'react';
import type { Piece } from '@/core/document';
import { paint } from '@/core/paint';
import { evaluate, posterFrame } from '@/core/scene';
import { newCanvas } from '@/workers/new-canvas';

/** A layout as it looks where it is all there. */
export function LayoutPicture({ piece, width }: { piece: Piece; width: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const height = Math.round((width * piece.size.height) / piece.size.width);
  useEffect(() => {
    const ratio = window.devicePixelRatio || 1;
    const context = canvas.current!.getContext('2d')!;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.fillStyle = piece.over ?? '#22303a';
    context.fillRect(0, 0, width * ratio, height * ratio);
    const frame = piece.hold ? Math.round((piece.hold.from + piece.hold.to) / 2) : posterFrame(piece);
    paint(evaluate(piece, frame), context, newCanvas, (width / piece.size.width) * ratio);
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
