'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { changed, sameValue, type Ink, type Stroke } from '@/core/document';
import { measurePath } from '@/core/geometry';
import {
  capsOf,
  DASH_PRESETS,
  evenPattern,
  mendedPattern,
  seenGap,
  type Dashes,
  type DashPreset,
} from '@/core/ink';
import { openedDashes } from '@/core/proof';
import { dashUnit } from '@/core/scene';
import { valueAt } from '@/core/timing';
import {
  Button,
  NumberField,
  pixelsASecond,
  plain,
  Segmented,
  Select,
  TextInput,
  Hint,
  Labelled,
  Gap,
} from '@/ui';
import { PartCheck, PartChoice, PartField, shared } from '../../properties';
import { useCalm } from '../../state';
import { InkPicture } from './ink-picture';
import { changeInk } from './ink-values';

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
    return [{ ink, width, pattern, seen: seenGap(Math.min(...gaps), width, capsOf(ink)) }];
  });
  const [first] = found;
  if (!first) return null;
  const least = Math.min(...found.map(({ seen }) => seen));
  const closing = found.some(
    ({ pattern, width, ink }) => mendedPattern(pattern, width, capsOf(ink)) !== pattern,
  );
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
  const unit = shared(having.map((ink) => ink.dashes!.unit));
  const speed = shared(having.map((ink) => ink.dashes!.speed));
  const chosen = shared(
    inks.map((ink) => (ink.dashes ? (samePattern(ink.dashes.pattern, ink.dashes.unit) ?? 'own') : 'none')),
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
      <Gap />
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
          <Labelled name="Pattern">
            <PatternField
              value={shared(having.map((ink) => ink.dashes!.pattern))}
              onChange={(pattern) => change({ pattern }, 'pattern')}
            />
          </Labelled>
          <Segmented
            before="in"
            label="Pattern in"
            value={unit}
            choices={{ widths: 'widths', px: 'px', share: '% length' }}
            onChange={(to) =>
              changeInk((ink) => {
                const stroke = strokes.find((s) => s.ink === ink);
                if (!ink.dashes || !stroke) return {};
                const [width, length] = [valueAt(ink.width, 0) || 1, measurePath(stroke.path).length || 1];
                const k = dashUnit(ink.dashes.unit, width, length) / dashUnit(to, width, length);
                return {
                  dashes: { ...ink.dashes, unit: to, pattern: ink.dashes.pattern.map((n) => n * k) },
                };
              }, 'dash unit')
            }
          />
          <SeenGap strokes={strokes} />
          <PartChoice
            part="ink.dashes.flow"
            label="Dashes while the stroke grows"
            choices={{ stay: 'stay put', ride: 'ride the tail', march: 'march' }}
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
                {...(speed?.unit === 'patterns' ? plain : pixelsASecond)}
              />
              <Segmented
                label="Speed in"
                value={speed?.unit ?? null}
                choices={{ px: 'px a second', patterns: 'patterns a loop' }}
                onChange={(to) => changeSpeed({ unit: to, value: to === 'px' ? 60 : 8 }, 'speed unit')}
              />
              <PartCheck part="ink.dashes.speed.seamless">Round the speed so that the loop closes</PartCheck>
            </>
          )}
          <PartField part="ink.dashes.phase" />
          <PartField part="ink.dashes.grow" />
          <PartCheck part="ink.dashes.fit">Fit whole repeats</PartCheck>
          <PartCheck part="ink.dashes.corners">Corners amid dashes</PartCheck>
        </>
      )}
    </>
  );
}
