'use client';
import type { Glow, Ink, Shadow, ShadowLine } from '@/core/document';
import { Check, ColourField, NumberField, percent, pixels, type NumberFieldProps } from '@/ui';
import { beginDrag, endDrag } from '../../state';
import { pickColour, rememberColour, useSwatches } from './colour-memory';
import { changeInk, shared } from './ink-values';

type LightPart = 'glow' | 'innerGlow' | 'shadow' | 'shadowLine';
type NumberIn<P> = { [K in keyof P]: P[K] extends number ? K : never }[keyof P] & string;

const NEW: { glow: Glow; innerGlow: Glow; shadow: Shadow; shadowLine: ShadowLine } = {
  glow: { size: 24, gain: 1.6, colour: '#ff6b3d', opacity: 0.9 },
  innerGlow: { size: 8, gain: 1.6, colour: '#fff3dc', opacity: 0.9 },
  shadow: { x: 6, y: 8, blur: 14, colour: '#000000', opacity: 0.6 },
  shadowLine: { x: 4, y: 5, aside: 0, width: 1, colour: '#15120e', opacity: 0.6 },
};

const times = {
  format: (v: number) => `${Number(v.toFixed(2))} ×`,
  parse: (text: string) => {
    const value = Number.parseFloat(text.replace(',', '.'));
    return Number.isFinite(value) ? value : null;
  },
};
const look: Record<string, Pick<NumberFieldProps, 'format' | 'parse' | 'min' | 'max' | 'step'>> = {
  px: { ...pixels, min: 0, max: 4000, step: 1 },
  offset: { ...pixels, min: -4000, max: 4000, step: 1 },
  share: { ...percent, min: 0, max: 1, step: 0.01 },
  times: { ...times, min: 0, max: 20, step: 0.1 },
};

/** The number fields of each kind of light, in the order they are shown. */
const FIELDS: { [P in LightPart]: [key: NumberIn<(typeof NEW)[P]>, label: string, look: string][] } = {
  glow: [
    ['size', 'Glow size', 'px'],
    ['gain', 'Glow strength', 'times'],
    ['opacity', 'Glow opacity', 'share'],
  ],
  innerGlow: [
    ['size', 'Inner size', 'px'],
    ['gain', 'Inner strength', 'times'],
    ['opacity', 'Inner opacity', 'share'],
  ],
  shadow: [
    ['x', 'Shadow to the right', 'offset'],
    ['y', 'Shadow down', 'offset'],
    ['blur', 'Shadow blur', 'px'],
    ['opacity', 'Shadow opacity', 'share'],
  ],
  shadowLine: [
    ['x', 'Line to the right', 'offset'],
    ['y', 'Line down', 'offset'],
    ['aside', 'Line beside the path', 'offset'],
    ['width', 'Line width', 'times'],
    ['opacity', 'Line opacity', 'share'],
  ],
};
const NAMES = {
  glow: 'Glow around',
  innerGlow: 'Glow within',
  shadow: 'Drop shadow',
  shadowLine: 'Shadow line',
};

function Light({ inks, part }: { inks: readonly Ink[]; part: LightPart }) {
  const swatches = useSwatches();
  const having = inks.filter((ink) => ink[part]);
  const change = (key: string, value: number | string) =>
    changeInk((ink) => (ink[part] ? { [part]: { ...ink[part], [key]: value } } : {}), `${part} ${key}`);
  const colour = shared(having, (ink) => ink[part]!.colour);
  return (
    <div>
      <Check
        isSelected={having.length > 0 && having.length === inks.length}
        onChange={(on) => changeInk({ [part]: on ? NEW[part] : undefined }, part)}
      >
        {NAMES[part]}
        {having.length > 0 && having.length < inks.length ? ' (some)' : ''}
      </Check>
      {having.length > 0 && (
        <div style={{ paddingLeft: 24 }}>
          {FIELDS[part].map(([key, label, kind]) => (
            <NumberField
              key={key}
              label={label}
              value={shared(having, (ink) => (ink[part] as unknown as Record<string, number>)[key]!)}
              onChange={(value) => change(key, value)}
              onBegin={beginDrag}
              onEnd={endDrag}
              {...look[kind]!}
            />
          ))}
          <ColourField
            label={`${NAMES[part]} colour`}
            value={colour}
            swatches={swatches}
            onChange={(value) => change('colour', value)}
            onBegin={beginDrag}
            onEnd={() => {
              endDrag();
              if (colour) rememberColour(colour);
            }}
            onPick={() => pickColour((value) => change('colour', value))}
          />
        </div>
      )}
    </div>
  );
}

/** Glow, shadow and the shadow line. */
export function LightControls({ inks }: { inks: readonly Ink[] }) {
  return (
    <>
      <Light inks={inks} part="glow" />
      <Light inks={inks} part="innerGlow" />
      <Light inks={inks} part="shadow" />
      <Light inks={inks} part="shadowLine" />
    </>
  );
}
