'use client';
import { mannerSchema, type Manner, type MannerTime } from '@/core/document';
import { landingEasing, type Easing } from '@/core/timing';
import { Check, NumberField, percent, Segmented, Select } from '@/ui';
import { ValueField } from '../../properties';
import { EASING_KINDS, easingKindOf, easingName, landingOf } from './easing';

const FROM: Record<Manner['from'], string> = {
  start: 'the start',
  middle: 'the middle',
  end: 'the end',
  ends: 'both ends',
  point: 'a point',
};
/** Where a window that passes may come from. */
const FROM_A_SIDE = { start: FROM.start, end: FROM.end } as typeof FROM;

/** How long a window is at first, by its unit. */
const FIRST_LENGTH = { share: 0.35, px: 240, frames: 10 } as const;

/** The easing of one way of a manner: a soft landing by its influence, or any other kind. */
function MannerEasing({
  label,
  easing,
  onChange,
}: {
  label: string;
  easing: Easing;
  onChange: (easing: Easing) => void;
}) {
  const landing = landingOf(easing);
  return (
    <>
      <Select
        before={label}
        label={label}
        value={easingKindOf(easing)}
        choices={[
          ...EASING_KINDS,
          ...(easingKindOf(easing) === 'own' ? [{ id: 'own', name: easingName(easing) }] : []),
        ]}
        onChange={(id) => {
          const kind = EASING_KINDS.find((one) => one.id === id);
          if (kind) onChange(kind.easing);
        }}
      />
      {landing !== null && landing > 0 && (
        <NumberField
          label={label === 'Leaves' ? 'Landing, leaving' : 'Landing'}
          value={landing}
          min={0}
          max={1}
          step={0.01}
          onChange={(value) => onChange(landingEasing(Math.round(value * 100) / 100))}
          {...percent}
        />
      )}
    </>
  );
}

/** The numbers and choices of a manner. */
export function MannerParts({
  manner,
  times,
  put,
}: {
  manner: Manner;
  times: Partial<Record<MannerTime, number | null>>;
  put: (part: Partial<Manner>) => void;
}) {
  const { kind, from, length } = manner;
  const comes = kind !== 'off';
  const goes = kind === 'off' || kind === 'both';
  const field = (part: 'origin' | MannerTime, label?: string) => (
    <ValueField
      schema={mannerSchema}
      value={manner}
      part={part}
      {...(label && { label })}
      {...(part !== 'origin' && { shown: times[part] ?? null })}
      onChange={(to) => put({ [part]: to })}
    />
  );
  return (
    <>
      <Segmented
        label="Writes"
        value={kind}
        choices={{ on: 'on', off: 'off', both: 'both', pass: 'passes' }}
        onChange={(to) =>
          put({ kind: to, ...(to === 'pass' && from !== 'end' && { from: 'start' as const }) })
        }
      />
      <Select
        before="from"
        label="Origin"
        value={from}
        choices={kind === 'pass' ? FROM_A_SIDE : FROM}
        onChange={(id) => put({ from: id })}
      />
      {from === 'point' && kind !== 'pass' && field('origin')}
      {comes && field('onFrames', kind === 'pass' ? 'Passes in' : undefined)}
      {kind === 'pass' && (
        <>
          <Segmented
            before="Window in"
            label="Unit of the window"
            value={length.unit}
            choices={{ share: '%', px: 'px', frames: 'frames' }}
            onChange={(unit) => put({ length: { unit, value: FIRST_LENGTH[unit] } })}
          />
          <ValueField
            schema={mannerSchema}
            value={manner}
            part="length.value"
            onChange={(value) => put({ length: { ...length, value } })}
          />
        </>
      )}
      {comes && (
        <MannerEasing label="Arrives" easing={manner.easing} onChange={(easing) => put({ easing })} />
      )}
      {goes && (from === 'start' || from === 'end') && (
        <Segmented
          before="then"
          label="How it leaves"
          value={manner.leaves}
          choices={['onward', 'back']}
          onChange={(leaves) => put({ leaves })}
        />
      )}
      {kind === 'both' && (
        <Check isSelected={manner.hold === null} onChange={(on) => put({ hold: on ? null : 25 })}>
          Leaves with the end of the piece
        </Check>
      )}
      {kind === 'both' && manner.hold !== null && field('hold')}
      {goes && field('offFrames')}
      {goes && (
        <MannerEasing label="Leaves" easing={manner.offEasing} onChange={(offEasing) => put({ offEasing })} />
      )}
    </>
  );
}
