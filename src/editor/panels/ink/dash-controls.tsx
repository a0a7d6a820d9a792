'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { changed, sameValue, type Ink, type Stroke } from '@/core/document';
import { measurePath } from '@/core/geometry';
import { DASH_PRESETS, evenPattern, mendedPattern, seenGap, type Dashes, type DashPreset } from '@/core/ink';
import { openedDashes } from '@/core/proof';
import { dashUnit } from '@/core/scene';
import { valueAt } from '@/core/timing';
import { Button, Check, NumberField, parseWithUnit, percent, Segmented, Select, TextInput } from '@/ui';
import { beginDrag, endDrag, useCalm } from '../../state';
import { Hint, Row } from '../panel';
import { InkPicture } from './ink-picture';
import { changeInk, shared } from './ink-values';
import { KeyedNumber } from './keyed';

const NEW: Dashes = {
  pattern: DASH_PRESETS.dash,
  unit: 'widths',
  phase: 0,
  flow: 'stay',
  speed: { value: 60, unit: 'px', seamless: true },
  fit: false,
  corners: false,
  grow: 0,
};

const UNITS = {
  px: { format: (v: number) => `${Number(v.toFixed(1))} px`, parse: parseWithUnit('px') },
  widths: { format: (v: number) => `${Number(v.toFixed(2))} w`, parse: parseWithUnit('w') },
  share: percent,
} as const;
const STEPS = { px: 1, widths: 0.1, share: 0.01 } as const;

const Pattern = styled(TextInput)`
  text-align: right;
  height: 28px;
  &[aria-invalid='true'] {
    outline: 2px solid var(--caution);
  }
`;

/** Numbers typed as “18 12 4 12”, by whatever parts them; null where they can't be read. */
function readPattern(text: string): number[] | null {
  const parts = text.trim().split(/[\s,·;]+/);
  const numbers = parts.map((part) => Number(part.replace(',', '.')));
  const good =
    parts[0] !== '' &&
    numbers.length <= 24 &&
    numbers.every((n) => Number.isFinite(n) && n >= 0 && n <= 4000);
  return good ? numbers : null;
}

function PatternField({
  value,
  onChange,
}: {
  value: readonly number[] | null;
  onChange: (to: number[]) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = typed !== null && readPattern(typed) === null;
  const take = () => {
    const read = typed === null ? null : readPattern(typed);
    if (read) onChange(read);
    setTyped(null);
  };
  return (
    <Pattern
      aria-label="Dash and gap"
      aria-invalid={wrong}
      title="Dash, gap, dash, gap …"
      spellCheck={false}
      autoComplete="off"
      placeholder={value === null ? 'differs' : undefined}
      value={typed ?? value?.map((n) => Number(n.toFixed(2))).join(' · ') ?? ''}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') take();
        else if (event.key === 'Escape') setTyped(null);
        event.stopPropagation();
      }}
    />
  );
}

const samePattern = (pattern: readonly number[], unit: string): DashPreset | undefined =>
  unit === 'widths'
    ? (Object.keys(DASH_PRESETS) as DashPreset[]).find((name) => sameValue(DASH_PRESETS[name], pattern))
    : undefined;

/** What is left of a pattern when effects are taken off: the picture of the dashes alone. */
const dashesAlone = (ink: Ink): Ink =>
  changed(ink, {
    glow: undefined,
    innerGlow: undefined,
    shadow: undefined,
    shadowLine: undefined,
    ends: undefined,
    taper: undefined,
    widths: undefined,
  });

/** The gap that the eye sees with round or square caps, and the offer to open one that closes. */
function SeenGap({ strokes }: { strokes: readonly Stroke[] }) {
  const frame = useCalm((s) => Math.round(s.frame));
  const found = strokes.flatMap(({ ink, path }) => {
    if (!ink.dashes) return [];
    const width = valueAt(ink.width, frame);
    const unit = dashUnit(ink.dashes.unit, width, measurePath(path).length);
    const pattern = evenPattern(ink.dashes.pattern).map((n) => n * unit);
    const gaps = pattern.filter((_, i) => i % 2 === 1);
    return [{ ink, width, pattern, seen: seenGap(Math.min(...gaps), width, ink.cap) }];
  });
  const [first] = found;
  if (!first) return null;
  const least = Math.min(...found.map(({ seen }) => seen));
  const closing = found.some(({ pattern, width, ink }) => mendedPattern(pattern, width, ink.cap) !== pattern);
  const mend = () =>
    changeInk((ink) => {
      const stroke = strokes.find((s) => s.ink === ink);
      const dashes = stroke && openedDashes(stroke, frame);
      return dashes ? { dashes } : {};
    }, 'mend gaps');
  return (
    <Hint style={closing ? { color: 'var(--caution)' } : undefined}>
      {closing
        ? `Caps close a gap: the eye sees ${Math.max(0, Number(least.toFixed(1)))} px. `
        : `The eye sees gaps of ${Number(least.toFixed(1))} px.`}
      {closing && (
        <Button style={{ height: 24, marginLeft: 4 }} onPress={mend}>
          Open it
        </Button>
      )}
    </Hint>
  );
}

/** Dashes: the pattern, how it keeps to the stroke, and how it flows. */
export function DashControls({ strokes }: { strokes: readonly Stroke[] }) {
  const inks = strokes.map((stroke) => stroke.ink);
  const having = inks.filter((ink) => ink.dashes);
  const [first] = having;
  const change = (part: Partial<Dashes>, kind: string) =>
    changeInk((ink) => (ink.dashes ? { dashes: { ...ink.dashes, ...part } } : {}), kind);
  const changeSpeed = (part: Partial<Dashes['speed']>, kind: string) =>
    changeInk(
      ({ dashes }) => (dashes ? { dashes: { ...dashes, speed: { ...dashes.speed, ...part } } } : {}),
      kind,
    );
  const unit = shared(having, (ink) => ink.dashes!.unit);
  const flow = shared(having, (ink) => ink.dashes!.flow);
  const speed = shared(having, (ink) => ink.dashes!.speed);
  const chosen = shared(inks, (ink) =>
    ink.dashes ? (samePattern(ink.dashes.pattern, ink.dashes.unit) ?? 'own') : 'none',
  );
  const choose = (name: string) =>
    changeInk((ink) => {
      if (name === 'none') return { dashes: undefined };
      if (name === 'one') {
        return { dashes: { ...(ink.dashes ?? NEW), pattern: [0.2, 0.8], unit: 'share' } };
      }
      const pattern = DASH_PRESETS[name as DashPreset] ?? ink.dashes?.pattern ?? NEW.pattern;
      return { dashes: { ...(ink.dashes ?? NEW), pattern, unit: 'widths' } };
    }, 'dashes');
  return (
    <>
      {first && <InkPicture ink={dashesAlone(first)} label="The dashes of the selection" height={40} flat />}
      <div style={{ height: 6 }} />
      <Select
        label="Dashes"
        value={chosen === 'own' ? null : chosen}
        placeholder={chosen === 'own' ? 'own pattern' : 'differs'}
        choices={[
          { id: 'none', name: 'unbroken' },
          ...(Object.keys(DASH_PRESETS) as DashPreset[]).map((id) => ({ id, name: id })),
          { id: 'one', name: 'a single dash' },
        ]}
        onChange={choose}
      />
      {first && (
        <>
          <Row>
            <span>Pattern</span>
            <div style={{ width: 150 }}>
              <PatternField
                value={shared(having, (ink) => ink.dashes!.pattern)}
                onChange={(pattern) => change({ pattern }, 'pattern')}
              />
            </div>
          </Row>
          <Row>
            <span>in</span>
            <div style={{ width: 190 }}>
              <Segmented
                label="Pattern in"
                value={unit}
                choices={[
                  { id: 'widths', name: 'widths' },
                  { id: 'px', name: 'px' },
                  { id: 'share', name: '% length' },
                ]}
                onChange={(to) =>
                  changeInk((ink) => {
                    const stroke = strokes.find((s) => s.ink === ink);
                    if (!ink.dashes || !stroke) return {};
                    const [width, length] = [
                      valueAt(ink.width, 0) || 1,
                      measurePath(stroke.path).length || 1,
                    ];
                    const k = dashUnit(ink.dashes.unit, width, length) / dashUnit(to, width, length);
                    return {
                      dashes: { ...ink.dashes, unit: to, pattern: ink.dashes.pattern.map((n) => n * k) },
                    };
                  }, 'dash unit')
                }
              />
            </div>
          </Row>
          <SeenGap strokes={strokes} />
          <Segmented
            label="Dashes while the stroke grows"
            value={flow}
            choices={[
              { id: 'stay', name: 'stay put' },
              { id: 'ride', name: 'ride the tail' },
              { id: 'march', name: 'march' },
            ]}
            onChange={(to) => change({ flow: to }, 'flow')}
          />
          {having.some((ink) => ink.dashes!.flow === 'march') && (
            <>
              <NumberField
                label="Speed"
                value={speed?.value ?? null}
                min={-100000}
                max={100000}
                step={speed?.unit === 'patterns' ? 1 : 5}
                onChange={(value) => changeSpeed({ value }, 'speed')}
                onBegin={beginDrag}
                onEnd={endDrag}
                format={(v) => `${Number(v.toFixed(2))}${speed?.unit === 'patterns' ? '' : ' px/s'}`}
                parse={parseWithUnit('px/s')}
              />
              <Segmented
                label="Speed in"
                value={speed?.unit ?? null}
                choices={[
                  { id: 'px', name: 'px a second' },
                  { id: 'patterns', name: 'patterns a loop' },
                ]}
                onChange={(to) => changeSpeed({ unit: to, value: to === 'px' ? 60 : 8 }, 'speed unit')}
              />
              <Check
                isSelected={having.every((ink) => ink.dashes!.speed.seamless)}
                onChange={(seamless) => changeSpeed({ seamless }, 'seamless')}
              >
                Round the speed so that the loop closes
              </Check>
            </>
          )}
          <KeyedNumber
            label="Phase"
            inks={inks}
            get={(ink) => ink.dashes?.phase}
            put={(ink, phase) => ({ dashes: { ...ink.dashes!, phase } })}
            min={-1e6}
            max={1e6}
            step={STEPS[unit ?? 'px']}
            {...UNITS[unit ?? 'px']}
          />
          <KeyedNumber
            label="Grown into gaps"
            inks={inks}
            get={(ink) => ink.dashes?.grow}
            put={(ink, grow) => ({ dashes: { ...ink.dashes!, grow } })}
            min={-1}
            max={1}
            step={0.01}
            {...percent}
          />
          <Check
            isSelected={having.every((ink) => ink.dashes!.fit)}
            onChange={(fit) => change({ fit }, 'fit')}
          >
            Fit whole repeats
          </Check>
          <Check
            isSelected={having.every((ink) => ink.dashes!.corners)}
            onChange={(corners) => change({ corners }, 'corners')}
          >
            Corners amid dashes
          </Check>
        </>
      )}
    </>
  );
}
