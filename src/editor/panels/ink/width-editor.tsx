'use client';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import styled from 'styled-components';
import { markColour, sameValue, type Ink } from '@/core/document';
import {
  laidOut,
  WIDTH_PRESETS,
  widthShareAt,
  type WidthPoint,
  type WidthPreset,
  type Widths,
} from '@/core/ink';
import { Button, NumberField, percent, Select, Gap } from '@/ui';
import { shared } from '../../properties';
import { dragDocument } from '../../state';
import { changeInk } from './ink-values';

const WIDE = 234;
const HIGH = 78;
/** Room at the sides, and the height of a full half width, px. */
const SIDE = 10;
const FULL = 27;

const Silhouette = styled.svg`
  display: block;
  width: 100%;
  height: ${HIGH}px;
  border: 1px solid var(--rule);
  border-radius: 7px;
  background: var(--desk);
  touch-action: none;
  [role='slider'] {
    outline: none;
    cursor: grab;
  }
  [role='slider']:focus-visible .mark {
    stroke: var(--head);
    stroke-width: 2.5;
  }
`;

const Pair = styled.div`
  display: grid;
  grid-template-columns: 1.25fr 1fr;
  gap: 10px;
  --number-width: 58px;
  --number-inset: 0;
`;
const Three = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
  button {
    height: 26px;
    padding: 0;
  }
`;

const EVEN: Widths = [
  { at: 0, scale: 1 },
  { at: 1, scale: 1 },
];

const x = (at: number): number => SIDE + at * (WIDE - 2 * SIDE);
const y = (scale: number): number => HIGH / 2 - scale * FULL;

/** Both edges of the pen from end to end. */
function edges(widths: Widths): string {
  const line = laidOut(widths);
  const first = line[0]!;
  const last = line.at(-1)!;
  const all = [{ at: 0, scale: first.scale }, ...line, { at: 1, scale: last.scale }];
  const up = all.map((p) => `${x(p.at).toFixed(2)} ${y(p.scale).toFixed(2)}`);
  const down = [...all].reverse().map((p) => `${x(p.at).toFixed(2)} ${y(-p.scale).toFixed(2)}`);
  return `M${up.join('L')}L${down.join('L')}Z`;
}

const held = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** A point with handles along the line between its neighbours, a third of the way to each. */
function smoothed(widths: Widths, i: number): WidthPoint {
  const p = widths[i]!;
  const [before, after] = [widths[i - 1] ?? p, widths[i + 1] ?? p];
  const slope = after.at > before.at ? (after.scale - before.scale) / (after.at - before.at) : 0;
  const [back, on] = [(p.at - before.at) / 3, (after.at - p.at) / 3];
  return {
    at: p.at,
    scale: p.scale,
    ...(back > 0 && { in: { at: -back, scale: -slope * back } }),
    ...(on > 0 && { out: { at: on, scale: slope * on } }),
  };
}

/** The width along the stroke, changed on its silhouette. */
export function WidthEditor({ inks }: { inks: readonly Ink[] }) {
  const svg = useRef<SVGSVGElement>(null);
  const [picked, setPicked] = useState(0);
  const common = shared(inks.map((ink) => ink.widths ?? null));
  const mixed = inks.length > 1 && !inks.every((ink) => sameValue(ink.widths, inks[0]!.widths));
  const widths = common ?? inks[0]?.widths ?? EVEN;
  const index = Math.min(picked, widths.length - 1);
  const point = widths[index]!;
  const isSmooth = point.in !== undefined || point.out !== undefined;

  const put = (next: Widths) => changeInk({ widths: next }, 'profile');
  const putPoint = (i: number, to: WidthPoint) => {
    const [least, most] = [widths[i - 1]?.at ?? 0, widths[i + 1]?.at ?? 1];
    const moved = { ...to, at: held(to.at, least, most), scale: held(to.scale, 0, 10) };
    put(widths.map((p, k) => (k === i ? moved : p)));
  };
  const placeOf = (event: { clientX: number; clientY: number }) => {
    const box = svg.current!.getBoundingClientRect();
    const [px, py] = [
      ((event.clientX - box.left) / box.width) * WIDE,
      ((event.clientY - box.top) / box.height) * HIGH,
    ];
    return { at: (px - SIDE) / (WIDE - 2 * SIDE), scale: (HIGH / 2 - py) / FULL };
  };
  const onDown = (event: PointerEvent<SVGElement>, part: 'point' | 'in' | 'out', i: number) => {
    event.stopPropagation();
    setPicked(i);
    dragDocument(event, { move: (now) => pull(part, i, now) });
  };
  const pull = (part: 'point' | 'in' | 'out', i: number, event: { clientX: number; clientY: number }) => {
    const to = placeOf(event);
    const p = widths[i]!;
    if (part === 'point') {
      putPoint(i, { ...p, at: to.at, scale: Math.abs(to.scale) });
      return;
    }
    const offset = { at: held(to.at - p.at, -1, 1), scale: held(to.scale - p.scale, -10, 10) };
    const span = part === 'out' ? Math.max(0.001, offset.at) : Math.min(-0.001, offset.at);
    const handle = { at: span, scale: offset.scale };
    // The other handle stays in line, as long as it was.
    const other = part === 'out' ? p.in : p.out;
    const turned = other && { at: other.at, scale: (handle.scale / handle.at) * other.at };
    putPoint(i, {
      ...p,
      [part]: handle,
      ...(turned && { [part === 'out' ? 'in' : 'out']: { ...turned, scale: held(turned.scale, -10, 10) } }),
    });
  };
  const remove = (i: number) => {
    if (widths.length < 2) return;
    put(widths.filter((_, k) => k !== i));
    setPicked(Math.max(0, i - 1));
  };
  const onKey = (event: KeyboardEvent, i: number) => {
    const p = widths[i]!;
    const step = event.shiftKey ? 0.1 : 0.01;
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    const move = by[event.key];
    if (move) putPoint(i, { ...p, at: p.at + move[0], scale: p.scale + move[1] });
    else if (event.key === 'Delete' || event.key === 'Backspace') remove(i);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const add = (at: number) => {
    const place = held(at, 0, 1);
    const i = widths.findIndex((p) => p.at > place);
    const k = i < 0 ? widths.length : i;
    const scale = widthShareAt(laidOut(widths), place);
    const raw = [...widths.slice(0, k), { at: place, scale }, ...widths.slice(k)];
    put(raw.map((p, j) => (j === k ? smoothed(raw, k) : p)));
    setPicked(k);
  };
  const preset = (Object.keys(WIDTH_PRESETS) as WidthPreset[]).find((name) =>
    inks.every((ink) => sameValue(ink.widths ?? null, WIDTH_PRESETS[name])),
  );
  return (
    <>
      <Silhouette
        ref={svg}
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        preserveAspectRatio="none"
        role="group"
        aria-label="Width along the stroke"
        onDoubleClick={(event) => add(placeOf(event).at)}
      >
        <path
          d={edges(widths)}
          fill={inks[0] ? markColour(inks[0]) : 'var(--text)'}
          opacity={mixed ? 0.35 : 0.9}
        />
        <line x1={x(0)} x2={x(1)} y1={HIGH / 2} y2={HIGH / 2} stroke="var(--desk)" strokeDasharray="2 3" />
        {(['in', 'out'] as const).map((part) => {
          const handle = point[part];
          if (!handle) return null;
          const [hx, hy] = [x(point.at + handle.at), y(point.scale + handle.scale)];
          return (
            <g key={part}>
              <line x1={x(point.at)} y1={y(point.scale)} x2={hx} y2={hy} stroke="var(--head)" />
              <circle
                cx={hx}
                cy={hy}
                r={4}
                fill="var(--head)"
                stroke="var(--desk)"
                style={{ cursor: 'grab' }}
                onPointerDown={(event) => onDown(event, part, index)}
              />
            </g>
          );
        })}
        {widths.map((p, i) => (
          <g
            key={i}
            tabIndex={0}
            role="slider"
            aria-label={`Width point ${i + 1} of ${widths.length}`}
            aria-valuenow={Math.round(p.scale * 100)}
            aria-valuetext={`${Math.round(p.scale * 100)} % of the width at ${Math.round(p.at * 100)} % of the length`}
            onFocus={() => setPicked(i)}
            onKeyDown={(event) => onKey(event, i)}
            onPointerDown={(event) => onDown(event, 'point', i)}
          >
            <rect x={x(p.at) - 9} y={y(p.scale) - 9} width={18} height={18} fill="transparent" />
            <rect
              className="mark"
              x={x(p.at) - 4}
              y={y(p.scale) - 4}
              width={8}
              height={8}
              rx={1.5}
              fill={i === index ? 'var(--head)' : 'var(--text)'}
              stroke="var(--desk)"
            />
          </g>
        ))}
      </Silhouette>
      <Gap />
      <Select
        label="Width profile"
        value={preset ?? null}
        placeholder={mixed ? 'differs' : 'own profile'}
        choices={(Object.keys(WIDTH_PRESETS) as WidthPreset[]).map((id) => ({
          id,
          name: id,
          show: (
            <span style={{ display: 'flex', gap: 10, alignItems: 'center' }}>
              <svg viewBox={`0 0 ${WIDE} ${HIGH}`} width={66} height={22} aria-hidden>
                <path d={edges(WIDTH_PRESETS[id] ?? EVEN)} fill="currentColor" />
              </svg>
              {id}
            </span>
          ),
        }))}
        onChange={(name) => changeInk({ widths: WIDTH_PRESETS[name] ?? undefined }, 'profile preset')}
      />
      <Pair>
        <NumberField
          label={`Point ${index + 1} at`}
          value={point.at}
          min={0}
          max={1}
          step={0.01}
          onChange={(at) => putPoint(index, { ...point, at })}
          {...percent}
        />
        <NumberField
          label="Wide"
          value={point.scale}
          min={0}
          max={10}
          step={0.01}
          onChange={(scale) => putPoint(index, { ...point, scale })}
          {...percent}
        />
      </Pair>
      <Three>
        <Button onPress={() => add((point.at + (widths[index + 1]?.at ?? widths[index - 1]?.at ?? 0.5)) / 2)}>
          Add
        </Button>
        <Button
          onPress={() =>
            putPoint(index, isSmooth ? { at: point.at, scale: point.scale } : smoothed(widths, index))
          }
        >
          {isSmooth ? 'Straighten' : 'Smooth'}
        </Button>
        <Button isDisabled={widths.length < 2} onPress={() => remove(index)}>
          Remove
        </Button>
      </Three>
    </>
  );
}
