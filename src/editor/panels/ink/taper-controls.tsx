'use client';
import { changed, sameValue, type Ink, shared } from '@/core/document';
import type { Taper, TaperEnd } from '@/core/ink';
import { CSS_EASE, LINEAR, type Easing } from '@/core/timing';
import { Check, Segmented, Select, Row } from '@/ui';
import { PartChoice, PartField } from '../../properties';
import { changeInk } from './ink-values';

/** How a tip swells, by plain names. */
const CURVES: Record<string, Easing> = {
  straight: LINEAR,
  full: { type: 'bezier', x1: 0.1, y1: 0.6, x2: 0.4, y2: 1 },
  hollow: CSS_EASE['ease-in'],
  bell: CSS_EASE['ease-in-out'],
};
const NEW_END: TaperEnd = { length: 0.3, unit: 'share', tip: 0, curve: CURVES.full! };

const nameOf = (curve: Easing): string | undefined =>
  Object.keys(CURVES).find((name) => sameValue(CURVES[name], curve));

const withEnd = (
  ink: Ink,
  which: 'start' | 'end',
  end: TaperEnd | undefined,
): { taper: Taper | undefined } => {
  const before = ink.taper ?? { over: 'visible' as const };
  const taper: Taper = changed(before, { [which]: end });
  return { taper: taper.start || taper.end ? taper : undefined };
};

function EndControls({ inks, which }: { inks: readonly Ink[]; which: 'start' | 'end' }) {
  const having = inks.filter((ink) => ink.taper?.[which]);
  const change = (part: Partial<TaperEnd>) =>
    changeInk((ink) => {
      const end = ink.taper?.[which];
      return end ? withEnd(ink, which, { ...end, ...part }) : {};
    }, `taper ${which}`);
  const unit = shared(having.map((ink) => ink.taper![which]!.unit));
  const curve = shared(having.map((ink) => nameOf(ink.taper![which]!.curve) ?? null));
  const word = which === 'start' ? 'Start' : 'End';
  return (
    <>
      <Check
        isSelected={having.length > 0 && having.length === inks.length}
        onChange={(on) => changeInk((ink) => withEnd(ink, which, on ? NEW_END : undefined), `taper ${which}`)}
      >
        {which === 'start' ? 'Tapered start' : 'Tapered end'}
        {having.length > 0 && having.length < inks.length ? ' (some)' : ''}
      </Check>
      {having.length > 0 && (
        <>
          <PartField part={`ink.taper.${which}.length`} />
          <Row>
            <Segmented
              label={`${word} taper in`}
              value={unit}
              choices={{ share: '%', px: 'px' }}
              onChange={(to) => change({ unit: to, length: to === 'px' ? 120 : 0.3 })}
            />
            <div style={{ width: 120 }}>
              <Select
                label={`${word} taper swells`}
                value={curve}
                choices={Object.keys(CURVES).map((id) => ({ id, name: id }))}
                onChange={(name) => change({ curve: CURVES[name]! })}
              />
            </div>
          </Row>
          <PartField part={`ink.taper.${which}.tip`} />
        </>
      )}
    </>
  );
}

/** Fine ends, on the whole stroke or on the part that shows. */
export function TaperControls({ inks }: { inks: readonly Ink[] }) {
  const having = inks.filter((ink) => ink.taper);
  return (
    <>
      {having.length > 0 && (
        <PartChoice
          part="ink.taper.over"
          label="Taper over"
          choices={{ whole: 'whole stroke', visible: 'visible part' }}
        />
      )}
      <EndControls inks={inks} which="start" />
      <EndControls inks={inks} which="end" />
    </>
  );
}
