'use client';
import { useRef, useState, type PointerEvent } from 'react';
import styled from 'styled-components';
import { Star } from 'lucide-react';
import { changeKey, keysAt, sameValue, strokeById, type KeyRef, type Piece } from '@/core/document';
import { measurePath } from '@/core/geometry';
import { cssOf, ease, easeSpeed, framesPerSecond, readCss, type Easing, type Way } from '@/core/timing';
import { Button, IconToggle, NumberField, percent, Segmented, Select } from '@/ui';
import { keepOnShelf, takeOffShelf, useShelfItems } from '../../shelf';
import { beginDrag, edit, endDrag, mirrorSelectedKeys, reverseSelectedKeys, useCalm } from '../../state';
import { Buttons, Group, Row } from '../panel';
import { EASING_KINDS, easingKindOf, easingName } from './easing-kinds';

const WIDE = 234;
const HIGH = 132;
const PAD = 22;
const x = (t: number): number => 12 + t * (WIDE - 24);
const y = (v: number): number => HIGH - PAD - v * (HIGH - 2 * PAD);

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
    return `${x(t).toFixed(1)} ${y(Math.min(top, Math.max(low, value(t)))).toFixed(1)}`;
  }).join('L');

/** Value over time, and speed under it; a Bézier's handles and a drawn curve are changed on it. */
function Curve({ easing, onChange }: { easing: Easing; onChange: (easing: Easing) => void }) {
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<'1' | '2' | 'draw' | null>(null);
  const speeds = Array.from({ length: SAMPLES + 1 }, (_, i) => Math.abs(easeSpeed(easing, i / SAMPLES)));
  const most = Math.max(1, ...speeds.map((s) => Math.min(s, 8)));
  const placeOf = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    return {
      t: Math.min(1, Math.max(0, (((event.clientX - box.left) / box.width) * WIDE - 12) / (WIDE - 24))),
      v: Math.min(
        1.6,
        Math.max(-0.6, (HIGH - PAD - ((event.clientY - box.top) / box.height) * HIGH) / (HIGH - 2 * PAD)),
      ),
    };
  };
  const round = (n: number): number => Math.round(n * 1000) / 1000;
  const bend = (which: '1' | '2', t: number, v: number) => {
    if (easing.type !== 'bezier') return;
    onChange(
      which === '1' ? { ...easing, x1: round(t), y1: round(v) } : { ...easing, x2: round(t), y2: round(v) },
    );
  };
  const draw = (t: number, v: number) => {
    if (easing.type !== 'list') return;
    const near = easing.points.reduce(
      (best, p, i) => (Math.abs(p.at - t) < Math.abs(easing.points[best]!.at - t) ? i : best),
      0,
    );
    onChange({
      ...easing,
      points: easing.points.map((p, i) => (i === near ? { ...p, value: round(v) } : p)),
    });
  };
  const handles =
    easing.type === 'bezier'
      ? ([
          ['1', easing.x1, easing.y1],
          ['2', easing.x2, easing.y2],
        ] as const)
      : [];
  const nudge = (event: React.KeyboardEvent, which: '1' | '2', t: number, v: number) => {
    const step = event.shiftKey ? 0.1 : 0.01;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[
      event.key
    ];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    bend(which, Math.min(1, Math.max(0, t + by[0]!)), v + by[1]!);
  };
  return (
    <Graph
      ref={svg}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      preserveAspectRatio="none"
      role="group"
      aria-label="Curve of the easing: value and speed over time"
      onPointerDown={(event) => {
        if (easing.type !== 'list') return;
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.current = 'draw';
        beginDrag();
        const { t, v } = placeOf(event);
        draw(t, v);
      }}
      onPointerMove={(event) => {
        if (!drag.current) return;
        const { t, v } = placeOf(event);
        if (drag.current === 'draw') draw(t, v);
        else bend(drag.current, t, v);
      }}
      onPointerUp={() => {
        if (drag.current) endDrag();
        drag.current = null;
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
          onKeyDown={(event) => nudge(event, which, t, v)}
          onPointerDown={(event) => {
            event.stopPropagation();
            svg.current!.setPointerCapture(event.pointerId);
            drag.current = which;
            beginDrag();
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

const Track = styled.div`
  position: relative;
  height: 12px;
  margin: 0 12px 6px;
  border-bottom: 1px solid var(--rule);
  i {
    position: absolute;
    left: 0;
    width: 8px;
    height: 8px;
    margin-left: -4px;
    border-radius: 50%;
    background: var(--head);
    animation: 1.6s linear infinite both;
  }
`;

/** A ball that goes as the easing goes, with a rest between. */
function Ball({ easing }: { easing: Easing }) {
  const steps = Array.from({ length: 41 }, (_, i) => {
    const t = i / 40;
    return `${(t * 75).toFixed(2)}% { left: ${(ease(easing, t) * 100).toFixed(2)}%; }`;
  });
  const name = 'obelus-ball';
  return (
    <Track aria-hidden>
      <style>{`@keyframes ${name} { ${steps.join(' ')} 100% { left: 100%; } }`}</style>
      <i style={{ animationName: name }} />
    </Track>
  );
}

const Text = styled.input`
  width: 100%;
  height: 26px;
  margin-top: 4px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--desk);
  &[aria-invalid='true'] {
    border-color: var(--caution);
  }
`;

const drag = { onBegin: beginDrag, onEnd: endDrag };
const plain = {
  format: (v: number) => String(Number(v.toFixed(2))),
  parse: (text: string) => {
    const value = Number.parseFloat(text.replace(',', '.'));
    return Number.isFinite(value) ? value : null;
  },
};

/** The numbers of a kind of easing. */
function Numbers({ easing, put }: { easing: Easing; put: (easing: Easing) => void }) {
  return (
    <>
      {'way' in easing && (
        <Segmented<Way>
          label="Easing way"
          value={easing.way}
          choices={[
            { id: 'in', name: 'slow start' },
            { id: 'out', name: 'slow end' },
            { id: 'both', name: 'both' },
          ]}
          onChange={(way) => put({ ...easing, way })}
        />
      )}
      {easing.type === 'bezier' && (
        <>
          <NumberField
            label="Leaving influence"
            value={easing.x1}
            min={0}
            max={1}
            step={0.01}
            onChange={(x1) => put({ ...easing, x1 })}
            {...percent}
            {...drag}
          />
          <NumberField
            label="Arriving influence"
            value={1 - easing.x2}
            min={0}
            max={1}
            step={0.01}
            onChange={(v) => put({ ...easing, x2: Math.round((1 - v) * 1e4) / 1e4 })}
            {...percent}
            {...drag}
          />
        </>
      )}
      {easing.type === 'steps' && (
        <NumberField
          label="Steps"
          value={easing.count}
          min={2}
          max={1000}
          onChange={(v) => put({ ...easing, count: Math.round(v) })}
          {...plain}
          {...drag}
        />
      )}
      {easing.type === 'back' && (
        <NumberField
          label="Overshoot"
          value={easing.overshoot}
          min={0}
          max={20}
          step={0.1}
          onChange={(overshoot) => put({ ...easing, overshoot })}
          {...plain}
          {...drag}
        />
      )}
      {easing.type === 'elastic' && (
        <>
          <NumberField
            label="Amplitude"
            value={easing.amplitude}
            min={1}
            max={20}
            step={0.1}
            onChange={(amplitude) => put({ ...easing, amplitude })}
            {...plain}
            {...drag}
          />
          <NumberField
            label="Period"
            value={easing.period}
            min={0.05}
            max={2}
            step={0.01}
            onChange={(period) => put({ ...easing, period })}
            {...percent}
            {...drag}
          />
        </>
      )}
      {easing.type === 'spring' && (
        <>
          <NumberField
            label="Mass"
            value={easing.mass}
            min={0.01}
            max={100}
            step={0.1}
            onChange={(mass) => put({ ...easing, mass })}
            {...plain}
            {...drag}
          />
          <NumberField
            label="Stiffness"
            value={easing.stiffness}
            min={1}
            max={10000}
            step={5}
            onChange={(stiffness) => put({ ...easing, stiffness })}
            {...plain}
            {...drag}
          />
          <NumberField
            label="Damping"
            value={easing.damping}
            min={0.1}
            max={1000}
            step={0.5}
            onChange={(damping) => put({ ...easing, damping })}
            {...plain}
            {...drag}
          />
        </>
      )}
    </>
  );
}

const Favourites = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 6px;
  button {
    padding: 0;
    border: 1px solid var(--rule);
    border-radius: 6px;
    background: var(--desk);
  }
  button[aria-pressed='true'] {
    border-color: var(--head);
  }
  svg {
    display: block;
    width: 40px;
    height: 28px;
  }
`;

/** Easings that are liked, as small pictures: one press gives the selected keys one of them. */
function LikedEasings({ easing, put }: { easing: Easing | null; put: (easing: Easing) => void }) {
  const liked = useShelfItems('easing');
  const kept = easing && liked.find((item) => sameValue(item.content, easing));
  const like = () => {
    if (!easing) return;
    const same = liked.filter((item) => item.name.startsWith(easingName(easing))).length;
    void keepOnShelf({
      kind: 'easing',
      name: `${easingName(easing)}${same ? ` ${same + 1}` : ''}`,
      content: easing,
    });
  };
  return (
    <Row style={{ alignItems: 'flex-start' }}>
      <Favourites>
        {liked.map((item) => (
          <button
            key={item.id}
            type="button"
            title={item.name}
            aria-label={`Easing ${item.name}`}
            aria-pressed={kept?.id === item.id}
            onClick={() => put(item.content)}
          >
            <svg viewBox="0 0 40 28" aria-hidden>
              <path
                d={`M${Array.from({ length: 31 }, (_, i) => `${(5 + i).toFixed(1)} ${(22 - Math.min(1.3, Math.max(-0.3, ease(item.content, i / 30))) * 16).toFixed(1)}`).join('L')}`}
                fill="none"
                stroke="var(--head)"
                strokeWidth={1.5}
              />
            </svg>
          </button>
        ))}
        {liked.length === 0 && <span style={{ color: 'var(--quiet)' }}>No favourites yet</span>}
      </Favourites>
      <IconToggle
        plain
        label={kept ? `Take ${kept.name} off the shelf` : 'Keep this easing on the shelf'}
        isSelected={Boolean(kept)}
        onChange={() => (kept ? void takeOffShelf(kept.id) : like())}
      >
        <Star />
      </IconToggle>
    </Row>
  );
}

/** One key and the next: from where to where, over how long, in units that people measure. */
interface KeySpan {
  readonly seconds: number;
  /** How far the value goes, in `unit`. */
  readonly way: number;
  readonly unit: 'px' | '%' | 'units';
}

function spanOf(piece: Piece, ref: KeyRef): KeySpan | null {
  const keys = keysAt(piece, ref);
  const [from, to] = [keys[ref.index], keys[ref.index + 1]];
  if (typeof from?.value !== 'number' || typeof to?.value !== 'number') return null;
  const seconds = (to.frame - from.frame) / framesPerSecond(piece.rate);
  const stroke = strokeById(piece, ref.stroke);
  const onPath = stroke && ['head', 'tail', 'slide'].includes(ref.part);
  const way = (to.value - from.value) * (onPath ? measurePath(stroke.path).length : 1);
  return { seconds, way, unit: onPath || ref.part === 'ink.width' ? 'px' : 'units' };
}

/** Speeds at which a Bézier leaves and arrives, in units a second; typed, they turn its handles. */
function Speeds({ easing, span, put }: { easing: Easing; span: KeySpan; put: (easing: Easing) => void }) {
  const mean = span.seconds > 0 ? Math.abs(span.way) / span.seconds : 0;
  const most =
    Math.max(...Array.from({ length: 101 }, (_, i) => Math.abs(easeSpeed(easing, i / 100)))) * mean;
  const written = {
    format: (v: number) => `${Math.round(v)} ${span.unit === 'px' ? 'px/s' : '/s'}`,
    parse: (text: string) => {
      const value = Number.parseFloat(text.replace(',', '.'));
      return Number.isFinite(value) ? value : null;
    },
  };
  const held = (y: number): number => Math.min(10, Math.max(-10, Math.round(y * 1e4) / 1e4));
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
              put({ ...easing, x1, y1: held((speed / mean) * x1) });
            }}
            {...written}
            {...drag}
          />
          <NumberField
            label="Arriving speed"
            value={easing.x2 < 1 ? ((1 - easing.y2) / (1 - easing.x2)) * mean : 0}
            min={-1e6}
            max={1e6}
            step={10}
            onChange={(speed) => {
              const x2 = Math.min(0.99, easing.x2);
              put({ ...easing, x2, y2: held(1 - (speed / mean) * (1 - x2)) });
            }}
            {...written}
            {...drag}
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

/** The easing that leaves the selected keys. */
export function EasingGroup({ keys }: { keys: readonly KeyRef[] }) {
  const piece = useCalm((s) => s.piece);
  const [typed, setTyped] = useState<string | null>(null);
  const easings = keys.flatMap((ref) => keysAt(piece, ref)[ref.index]?.easing ?? []);
  const first = easings[0];
  if (!first) return null;
  const one = easings.every((easing) => sameValue(easing, first)) ? first : null;
  const kind = one && easingKindOf(one);
  const put = (easing: Easing) => edit((p) => changeKey(p, keys, { easing }), 'easing');
  const read = typed === null ? null : readCss(typed);
  const span = keys.length === 1 ? spanOf(piece, keys[0]!) : null;
  return (
    <Group title={keys.length > 1 ? `Easing after ${keys.length} keys` : 'Easing after this key'}>
      <Select
        label="Easing"
        value={kind}
        choices={[
          ...EASING_KINDS.map(({ id, name }) => ({ id, name })),
          ...(kind === 'own' ? [{ id: 'own', name: 'own curve' }] : []),
        ]}
        onChange={(id) => {
          const chosen = EASING_KINDS.find((k) => k.id === id);
          if (chosen) put(chosen.easing);
        }}
      />
      {one && (
        <>
          <Curve easing={one} onChange={put} />
          <Ball easing={one} />
          <Numbers easing={one} put={put} />
          {span && <Speeds easing={one} span={span} put={put} />}
        </>
      )}
      {(!one || cssOf(one) !== null) && (
        <Text
          aria-label="Curve as CSS: x1, y1, x2, y2, steps() or linear()"
          placeholder="x1, y1, x2, y2"
          value={typed ?? (one ? (cssOf(one) ?? '') : '')}
          aria-invalid={typed !== null && typed !== '' && !read}
          spellCheck={false}
          onChange={(event) => setTyped(event.currentTarget.value)}
          onBlur={() => {
            if (read) put(read);
            setTyped(null);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
            event.stopPropagation();
          }}
        />
      )}
      <LikedEasings easing={one} put={put} />
      {keys.length > 1 && (
        <Buttons>
          <Button onPress={reverseSelectedKeys}>Reverse in time</Button>
          <Button onPress={mirrorSelectedKeys}>Mirror values</Button>
        </Buttons>
      )}
    </Group>
  );
}
