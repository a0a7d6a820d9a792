'use client';
import { keyedById, keysAt, propertyOf, type KeyRef, type Piece, type Stroke } from '@/core/document';
import { measurePath } from '@/core/geometry';
import { clamp } from '@/core/numbers';
import { easeSpeed, framesPerSecond, type Easing } from '@/core/timing';
import { NumberField, writtenWith, Row } from '@/ui';

/** One key and the next: from where to where, over how long, in units that people measure. */
interface KeySpan {
  readonly seconds: number;
  /** How far the value goes, in `unit`. */
  readonly way: number;
  readonly unit: 'px' | '%' | 'units';
}

export function spanOf(piece: Piece, ref: KeyRef): KeySpan | null {
  const keys = keysAt(piece, ref);
  const [from, to] = [keys[ref.index], keys[ref.index + 1]];
  if (typeof from?.value !== 'number' || typeof to?.value !== 'number') return null;
  const seconds = (to.frame - from.frame) / framesPerSecond(piece.rate);
  const keyed = keyedById(piece, ref.stroke);
  const property = keyed && propertyOf(keyed, ref.part);
  const path = property?.ofPath && keyed && 'path' in keyed ? (keyed as Stroke).path : null;
  const way = (to.value - from.value) * (path ? measurePath(path).length : 1);
  return { seconds, way, unit: path || property?.unit === 'px' ? 'px' : 'units' };
}

/** Speeds at which a Bézier leaves and arrives, in units a second; typed, they turn its handles. */
export function Speeds({
  easing,
  span,
  put,
}: {
  easing: Easing;
  span: KeySpan;
  put: (easing: Easing) => void;
}) {
  const mean = span.seconds > 0 ? Math.abs(span.way) / span.seconds : 0;
  const most =
    Math.max(...Array.from({ length: 101 }, (_, i) => Math.abs(easeSpeed(easing, i / 100)))) * mean;
  const written = writtenWith(span.unit === 'px' ? 'px/s' : '/s', 0);
  const bounded = (y: number): number => clamp(Math.round(y * 1e4) / 1e4, -10, 10);
  return (
    <>
      {easing.type === 'bezier' && mean > 0 && (
        <>
          <NumberField
            label="Leaving speed"
            value={easing.x1 > 0 ? (easing.y1 / easing.x1) * mean : 0}
            min={-1e6}
            max={1e6}
            step={10}
            onChange={(speed) => {
              const x1 = Math.max(0.01, easing.x1);
              put({ ...easing, x1, y1: bounded((speed / mean) * x1) });
            }}
            {...written}
          />
          <NumberField
            label="Arriving speed"
            value={easing.x2 < 1 ? ((1 - easing.y2) / (1 - easing.x2)) * mean : 0}
            min={-1e6}
            max={1e6}
            step={10}
            onChange={(speed) => {
              const x2 = Math.min(0.99, easing.x2);
              put({ ...easing, x2, y2: bounded(1 - (speed / mean) * (1 - x2)) });
            }}
            {...written}
          />
        </>
      )}
      <Row>
        <span>Speed</span>
        <span style={{ fontVariantNumeric: 'tabular-nums' }}>
          mean {Math.round(mean)} · at most {written.format(most)}
        </span>
      </Row>
    </>
  );
}
