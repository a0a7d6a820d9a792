'use client';
import { useEffect, useRef, type MouseEvent } from 'react';
import styled from 'styled-components';
import type { Pixels } from '@/core/bay';

const Figure = styled.figure`
  position: relative;
  margin: 0;
  flex: none;
  canvas {
    display: block;
    cursor: zoom-in;
    image-rendering: pixelated;
  }
  figcaption {
    position: sticky;
    left: 8px;
    bottom: 8px;
    width: max-content;
    margin: -30px 0 8px 8px;
    padding: 2px 8px;
    border-radius: 6px;
    background: color-mix(in srgb, var(--desk) 80%, transparent);
    color: var(--text);
    font-size: 12px;
  }
`;

/** Opaque pixels as they are; `zoom` is px of the screen to one of them. */
export function PictureView({
  pixels,
  width,
  height,
  zoom,
  label,
  caption,
  onPress,
}: {
  pixels: Pixels;
  width: number;
  height: number;
  zoom: number;
  label: string;
  caption?: string;
  onPress: (event: MouseEvent) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current!.getContext('2d')!;
    context.putImageData(new ImageData(new Uint8ClampedArray(pixels), width, height), 0, 0);
  }, [pixels, width, height]);
  const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
  const smooth = zoom * ratio < 1 ? ({ imageRendering: 'auto' } as const) : {};
  return (
    <Figure>
      <canvas
        ref={canvas}
        width={width}
        height={height}
        style={{ width: width * zoom, height: height * zoom, ...smooth }}
        onClick={onPress}
        role="img"
        aria-label={label}
        data-bay={label}
      />
      {caption && <figcaption>{caption}</figcaption>}
    </Figure>
  );
}
