'use client';
import { useRef, type PointerEvent } from 'react';
import styled from 'styled-components';
import { clamp } from '@/core/numbers';
import { drawnEasing, ease, easeSpeed, type Easing } from '@/core/timing';
import { nudgeKeys, shareIn } from '@/ui';
import { dragDocument } from '../../../state';

const WIDE = 234;
const HIGH = 132;
const PAD = 22;
const x = (t: number): number => 12 + t * (WIDE - 24);
export const y = (v: number): number => HIGH - PAD - v * (HIGH - 2 * PAD);

const Graph = styled.svg`
  display: block;
  width: 100%;
  height: ${HIGH}px;
  margin: 6px 0;
  border: 1px solid var(--rule);
  border-radius: 7px;
  background: var(--desk);
  touch-action: none;
  [role='slider'] {
    cursor: grab;
    outline: none;
  }
  [role='slider']:focus-visible circle {
    stroke: var(--text);
    stroke-width: 2;
  }
  .ball {
    animation: 1.4s linear infinite both;
  }
`;

const SAMPLES = 120;
const lineOf = (value: (t: number) => number, top: number, low: number): string =>
  Array.from({ length: SAMPLES + 1 }, (_, i) => {
    const t = i / SAMPLES;
    return `${x(t).toFixed(1)} ${y(clamp(value(t), low, top)).toFixed(1)}`;
  }).join('L');

/** Value over time, and speed under it; a Bézier's handles and a drawn curve are changed on it. */
export function Curve({ easing, onChange }: { easing: Easing; onChange: (easing: Easing) => void }) {
  const svg = useRef<SVGSVGElement>(null);
  const speeds = Array.from({ length: SAMPLES + 1 }, (_, i) => Math.abs(easeSpeed(easing, i / SAMPLES)));
  const most = Math.max(1, ...speeds.map((s) => Math.min(s, 8)));
  const placeOf = (event: { clientX: number; clientY: number }) => {
    const at = shareIn(svg.current!, event);
    return {
      t: clamp((at.x * WIDE - 12) / (WIDE - 24), 0, 1),
      v: clamp((HIGH - PAD - at.y * HIGH) / (HIGH - 2 * PAD), -0.6, 1.6),
    };
  };
  const round = (n: number): number => Math.round(n * 1000) / 1000;
  const bend = (which: '1' | '2', t: number, v: number) => {
    if (easing.type !== 'bezier') return;
    onChange(
      which === '1' ? { ...easing, x1: round(t), y1: round(v) } : { ...easing, x2: round(t), y2: round(v) },
    );
  };
  /** Draws the curve under the pointer; what was drawn so far in one drag adds up. */
  const startDrawing = (event: PointerEvent, list: Extract<Easing, { type: 'list' }>) => {
    let drawn = list;
    const draw = (at: { clientX: number; clientY: number }) => {
      const { t, v } = placeOf(at);
      drawn = drawnEasing(drawn, t, round(v));
      onChange(drawn);
    };
    dragDocument(event, { move: draw });
    draw(event);
  };
  const handles =
    easing.type === 'bezier'
      ? ([
          ['1', easing.x1, easing.y1],
          ['2', easing.x2, easing.y2],
        ] as const)
      : [];
  return (
    <Graph
      ref={svg}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      preserveAspectRatio="none"
      role="group"
      aria-label="Curve of the easing: value and speed over time"
      onPointerDown={(event) => {
        if (easing.type === 'list') startDrawing(event, easing);
      }}
    >
      <line x1={x(0)} x2={x(1)} y1={y(0)} y2={y(0)} stroke="var(--rule)" />
      <line x1={x(0)} x2={x(1)} y1={y(1)} y2={y(1)} stroke="var(--rule)" />
      <path
        d={`M${x(0)} ${HIGH - 2}L${lineOf((t) => (Math.min(8, Math.abs(easeSpeed(easing, t))) / most) * 0.55 - 0.2, 2, -1)}L${x(1)} ${HIGH - 2}Z`}
        fill="var(--tail)"
        opacity={0.22}
      />
      <path
        d={`M${lineOf((t) => ease(easing, t), 1.55, -0.55)}`}
        fill="none"
        stroke="var(--head)"
        strokeWidth={2}
      />
      {handles.map(([which, t, v]) => (
        <g
          key={which}
          tabIndex={0}
          role="slider"
          aria-label={which === '1' ? 'Handle of the leaving key' : 'Handle of the arriving key'}
          aria-valuenow={Math.round((which === '1' ? t : 1 - t) * 100)}
          aria-valuetext={`influence ${Math.round((which === '1' ? t : 1 - t) * 100)} %, value ${v}`}
          onKeyDown={nudgeKeys({
            about: (right, up) => bend(which, clamp(t + right / 100, 0, 1), v + up / 100),
          })}
          onPointerDown={(event) => {
            event.stopPropagation();
            dragDocument(event, {
              move(now) {
                const to = placeOf(now);
                bend(which, to.t, to.v);
              },
            });
          }}
        >
          <line
            x1={x(which === '1' ? 0 : 1)}
            y1={y(which === '1' ? 0 : 1)}
            x2={x(t)}
            y2={y(v)}
            stroke="var(--quiet)"
          />
          <circle cx={x(t)} cy={y(v)} r={5} fill="var(--text)" stroke="var(--desk)" />
        </g>
      ))}
    </Graph>
  );
}
