'use client';
import { changed, sameValue, type Ink } from '@/core/document';
import type { Taper, TaperEnd } from '@/core/ink';
import { CSS_EASE, LINEAR, type Easing } from '@/core/timing';
import { Check, percent, pixels, Segmented, Select } from '@/ui';
import { Row } from '../panel';
import { changeInk, shared } from './ink-values';
import { KeyedNumber } from './keyed';

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
  const unit = shared(having, (ink) => ink.taper![which]!.unit);
  const curve = shared(having, (ink) => nameOf(ink.taper![which]!.curve) ?? null);
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
          <KeyedNumber
            label={`${word} taper`}
            inks={inks}
            get={(ink) => ink.taper?.[which]?.length}
            put={(ink, length) => withEnd(ink, which, { ...ink.taper![which]!, length })}
            min={0}
            max={unit === 'px' ? 4000 : 1}
            step={unit === 'px' ? 1 : 0.01}
            {...(unit === 'px' ? pixels : percent)}
          />
          <Row>
            <Segmented
              label={`${word} taper in`}
              value={unit}
              choices={[
                { id: 'share', name: '%' },
                { id: 'px', name: 'px' },
              ]}
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
          <KeyedNumber
            label={`${word} tip`}
            inks={having}
            get={(ink) => ink.taper?.[which]?.tip}
            put={(ink, tip) => withEnd(ink, which, { ...ink.taper![which]!, tip })}
            min={0}
            max={1}
            step={0.01}
            {...percent}
          />
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
        <Segmented
          label="Taper over"
          value={shared(having, (ink) => ink.taper!.over)}
          choices={[
            { id: 'whole', name: 'whole stroke' },
            { id: 'visible', name: 'visible part' },
          ]}
          onChange={(over) =>
            changeInk((ink) => (ink.taper ? { taper: { ...ink.taper, over } } : {}), 'taper over')
          }
        />
      )}
      <EndControls inks={inks} which="start" />
      <EndControls inks={inks} which="end" />
    </>
  );
}
