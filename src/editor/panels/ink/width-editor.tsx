'use client';
import { useRef, useState, type PointerEvent } from 'react';
import styled from 'styled-components';
import { swatchColour, sameValue, type Ink, shared } from '@/core/document';
import {
  EVEN_WIDTHS,
  laidOut,
  smoothWidthPoint,
  straightWidthPoint,
  WIDTH_PRESETS,
  withNewWidthPoint,
  withoutWidthPoint,
  withWidthHandle,
  withWidthPoint,
  type WidthHandle,
  type WidthPoint,
  type WidthPreset,
  type Widths,
} from '@/core/ink';
import { Button, NumberField, nudgeKeys, percent, Select, Gap, shareIn } from '@/ui';
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

/** The width along the stroke, changed on its silhouette. */
export function WidthEditor({ inks }: { inks: readonly Ink[] }) {
  const svg = useRef<SVGSVGElement>(null);
  const [picked, setPicked] = useState(0);
  const common = shared(inks.map((ink) => ink.widths ?? null));
  const mixed = inks.length > 1 && !inks.every((ink) => sameValue(ink.widths, inks[0]!.widths));
  const widths = common ?? inks[0]?.widths ?? EVEN_WIDTHS;
  const index = Math.min(picked, widths.length - 1);
  const point = widths[index]!;
  const isSmooth = point.in !== undefined || point.out !== undefined;

  const put = (next: Widths) => changeInk({ widths: next }, 'profile');
  const putPoint = (i: number, to: WidthPoint) => put(withWidthPoint(widths, i, to));
  const placeOf = (event: { clientX: number; clientY: number }) => {
    const at = shareIn(svg.current!, event);
    return { at: (at.x * WIDE - SIDE) / (WIDE - 2 * SIDE), scale: (HIGH / 2 - at.y * HIGH) / FULL };
  };
  const onDown = (event: PointerEvent<SVGElement>, part: 'point' | WidthHandle, i: number) => {
    event.stopPropagation();
    setPicked(i);
    dragDocument(event, { move: (now) => pull(part, i, placeOf(now)) });
  };
  const pull = (part: 'point' | WidthHandle, i: number, to: WidthPoint) => {
    const p = widths[i]!;
    if (part !== 'point') putPoint(i, withWidthHandle(p, part, to));
    else putPoint(i, { ...p, at: to.at, scale: Math.abs(to.scale) });
  };
  const remove = (i: number) => {
    if (widths.length < 2) return;
    put(withoutWidthPoint(widths, i));
    setPicked(Math.max(0, i - 1));
  };
  const add = (at: number) => {
    const added = withNewWidthPoint(widths, at);
    put(added.widths);
    setPicked(added.index);
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
          fill={inks[0] ? swatchColour(inks[0]) : 'var(--text)'}
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
            onKeyDown={nudgeKeys({
              about: (right, up) => putPoint(i, { ...p, at: p.at + right / 100, scale: p.scale + up / 100 }),
              remove: () => remove(i),
            })}
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
                <path d={edges(WIDTH_PRESETS[id] ?? EVEN_WIDTHS)} fill="currentColor" />
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
            putPoint(index, isSmooth ? straightWidthPoint(point) : smoothWidthPoint(widths, index))
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
