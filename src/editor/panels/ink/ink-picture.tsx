'use client';
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { newPiece, newStroke, scaledInk, widestOf, type Ink, type Piece } from '@/core/document';
import { smooth, type Path } from '@/core/geometry';
import { paint } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { newCanvas } from '@/workers/new-canvas';
import { useCalm } from '../../state';

const Picture = styled.canvas`
  display: block;
  width: 100%;
  border: 1px solid var(--rule);
  border-radius: 7px;
`;

const WIDE = 248;

/** A path across the picture: a wave for the whole ink, a line for one of its parts. */
const pathIn = (width: number, height: number, flat: boolean): Path => ({
  closed: false,
  points: flat
    ? [smooth(22, height / 2, { x: 0, y: 0 }), smooth(width - 22, height / 2, { x: 0, y: 0 })]
    : [
        smooth(34, height * 0.6, { x: 30, y: -0.45 * height }),
        smooth(124, height * 0.5, { x: 30, y: 0.29 * height }),
        smooth(214, height * 0.4, { x: 30, y: -0.45 * height }),
      ],
});

/** An ink made to fit a small picture: wide ones are drawn smaller, all lengths with them. */
function fitted(ink: Ink, height: number): Ink {
  const ends = Math.max(1, ink.ends?.head?.size ?? 1, ink.ends?.tail?.size ?? 1);
  const room = (height * 0.58) / Math.max(1, ends * 0.7);
  const small = widestOf(ink) > room ? scaledInk(ink, room / widestOf(ink)) : ink;
  return small.gradient
    ? { ...small, gradient: { ...small.gradient, from: { x: 20, y: 0 }, to: { x: WIDE - 20, y: 0 } } }
    : small;
}

/** Real ink on a short stroke, through the same evaluate and paint as the piece, at the frame shown. */
export function InkPicture({
  ink,
  label,
  width = WIDE,
  height = 76,
  flat = false,
}: {
  ink: Ink;
  label: string;
  width?: number;
  height?: number;
  flat?: boolean;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { over, rate, length } = useCalm((s) => s.piece);
  const frame = useCalm((s) => s.frame);
  useEffect(() => {
    const ratio = window.devicePixelRatio || 1;
    const element = canvas.current!;
    const [w, h] = [width * ratio, height * ratio];
    if (element.width !== w || element.height !== h) [element.width, element.height] = [w, h];
    const context = element.getContext('2d')!;
    context.fillStyle = over ?? '#322d26';
    context.fillRect(0, 0, w, h);
    const piece: Piece = {
      ...newPiece('Sample', { width, height }, rate, length),
      layers: [newStroke('sample', 'Sample', pathIn(width, height, flat), fitted(ink, height))],
    };
    paint(evaluate(piece, frame), context, newCanvas, ratio);
  }, [ink, over, rate, length, frame, width, height, flat]);
  return (
    <Picture
      ref={canvas}
      role="img"
      aria-label={label}
      style={{ height, ...(width !== WIDE && { width }) }}
    />
  );
}
