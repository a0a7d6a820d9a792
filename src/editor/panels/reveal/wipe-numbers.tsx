'use client';
import type { MaskShape } from '@/core/document';
import { NumberField, pixels, wholeDegrees } from '@/ui';

type Linear = Extract<MaskShape, { kind: 'linear wipe' }>;

const DEGREE = Math.PI / 180;

/** A wipe with the same middle, at an angle (degrees, clockwise from the right) and so wide, px. */
export function lyingAt({ from, to, ...rest }: Linear, angle: number, width: number): Linear {
  const [x, y] = [(from.x + to.x) / 2, (from.y + to.y) / 2];
  const [dx, dy] = [(Math.cos(angle * DEGREE) * width) / 2, (Math.sin(angle * DEGREE) * width) / 2];
  return { ...rest, from: { x: x - dx, y: y - dy }, to: { x: x + dx, y: y + dy } };
}

/** The angle of a wipe, degrees clockwise from the right, and its width, px. */
export function lieOf({ from, to }: Linear): { readonly angle: number; readonly width: number } {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  return { angle: Math.atan2(dy, dx) / DEGREE, width: Math.hypot(dx, dy) };
}

/** The numbers of a linear wipe, which its grips on the canvas set as well. */
export function WipeNumbers({ shape, onChange }: { shape: Linear; onChange: (shape: Linear) => void }) {
  const { angle, width } = lieOf(shape);
  return (
    <>
      <NumberField
        label="Angle"
        value={angle}
        min={-360}
        max={360}
        onChange={(to) => onChange(lyingAt(shape, to, width))}
        {...wholeDegrees}
      />
      <NumberField
        label="Width"
        value={width}
        min={1}
        max={20_000}
        onChange={(to) => onChange(lyingAt(shape, angle, to))}
        {...pixels}
      />
    </>
  );
}
