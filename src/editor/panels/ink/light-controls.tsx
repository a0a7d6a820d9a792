'use client';
import type { Ink, ShadowLine } from '@/core/document';
import type { Glow, Shadow } from '@/core/effects';
import { Check, Inset } from '@/ui';
import { PartField } from '../../properties';
import { changeInk } from './ink-values';

type LightPart = 'glow' | 'innerGlow' | 'shadow' | 'shadowLine';

const NEW: { glow: Glow; innerGlow: Glow; shadow: Shadow; shadowLine: ShadowLine } = {
  glow: { size: 24, gain: 1.6, opacity: 0.9, colour: '#ff6b3d' },
  innerGlow: { size: 8, gain: 1.6, opacity: 0.9, colour: '#fff3dc' },
  shadow: { x: 6, y: 8, blur: 14, opacity: 0.6, colour: '#000000' },
  shadowLine: { x: 4, y: 5, aside: 0, width: 1, opacity: 0.6, colour: '#15120e' },
};
const NAMES: Record<LightPart, string> = {
  glow: 'Glow',
  innerGlow: 'Inner glow',
  shadow: 'Drop shadow',
  shadowLine: 'Shadow line',
};

function Light({ inks, part }: { inks: readonly Ink[]; part: LightPart }) {
  const having = inks.filter((ink) => ink[part]);
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
        <Inset>
          {Object.keys(NEW[part]).map((one) => (
            <PartField key={one} part={`ink.${part}.${one}`} />
          ))}
        </Inset>
      )}
    </div>
  );
}

/** Glow, shadow and the shadow line. */
export const LightControls = ({ inks }: { inks: readonly Ink[] }) =>
  (Object.keys(NEW) as LightPart[]).map((part) => <Light key={part} inks={inks} part={part} />);
