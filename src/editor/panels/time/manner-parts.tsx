'use client';
import type { Manner } from '@/core/document';
import { landingEasing, type Easing } from '@/core/timing';
import { Check, NumberField, percent, pixels, Segmented, Select, Row, Labelled } from '@/ui';
import { EASING_KINDS, easingKindOf, easingName, landingOf } from './easing';
import { useFrames } from './frames-field';

const FROM: Record<Manner['from'], string> = {
  start: 'the start',
  middle: 'the middle',
  end: 'the end',
  ends: 'both ends',
  point: 'a point',
};

/** The lengths of time in a manner. */
export type TimeOfManner = 'onFrames' | 'offFrames' | 'hold';

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
      <Row>
        <span>{label}</span>
        <div style={{ width: 150 }}>
          <Select
            label={label}
            value={easingKindOf(easing)}
            choices={[
              ...EASING_KINDS.map(({ id, name }) => ({ id, name })),
              ...(easingKindOf(easing) === 'own' ? [{ id: 'own', name: easingName(easing) }] : []),
            ]}
            onChange={(id) => {
              const kind = EASING_KINDS.find((one) => one.id === id);
              if (kind) onChange(kind.easing);
            }}
          />
        </div>
      </Row>
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
  times: Partial<Record<TimeOfManner, number | null>>;
  put: (part: Partial<Manner>) => void;
}) {
  const frames = useFrames();
  const { kind, from, length } = manner;
  const comes = kind !== 'off';
  const goes = kind === 'off' || kind === 'both';
  return (
    <>
      <Segmented
        label="Writes"
        value={kind}
        choices={[
          { id: 'on', name: 'on' },
          { id: 'off', name: 'off' },
          { id: 'both', name: 'both' },
          { id: 'pass', name: 'passes' },
        ]}
        onChange={(to) =>
          put({ kind: to, ...(to === 'pass' && from !== 'end' && { from: 'start' as const }) })
        }
      />
      <Labelled name="from">
        <Select
          label="Origin"
          value={from}
          choices={(kind === 'pass'
            ? (['start', 'end'] as const)
            : (Object.keys(FROM) as Manner['from'][])
          ).map((id) => ({ id, name: FROM[id] }))}
          onChange={(id) => put({ from: id })}
        />
      </Labelled>
      {from === 'point' && kind !== 'pass' && (
        <NumberField
          label="Origin at"
          value={manner.origin}
          min={0}
          max={1}
          step={0.01}
          onChange={(origin) => put({ origin })}
          {...percent}
        />
      )}
      {comes && (
        <NumberField
          label={kind === 'pass' ? 'Passes in' : 'Writes on in'}
          value={times.onFrames ?? null}
          min={1}
          max={9999}
          onChange={(value) => put({ onFrames: Math.round(value) })}
          {...frames}
        />
      )}
      {kind === 'pass' && (
        <>
          <Labelled name="Window in">
            <Segmented
              label="Unit of the window"
              value={length.unit}
              choices={[
                { id: 'share', name: '%' },
                { id: 'px', name: 'px' },
                { id: 'frames', name: 'frames' },
              ]}
              onChange={(unit) =>
                put({ length: { unit, value: unit === 'share' ? 0.35 : unit === 'px' ? 240 : 10 } })
              }
            />
          </Labelled>
          <NumberField
            label="Window length"
            value={length.value}
            min={0}
            max={length.unit === 'share' ? 1 : 100000}
            step={length.unit === 'share' ? 0.01 : 1}
            onChange={(value) => put({ length: { ...length, value } })}
            {...(length.unit === 'share' ? percent : length.unit === 'frames' ? frames : pixels)}
          />
        </>
      )}
      {comes && (
        <MannerEasing label="Arrives" easing={manner.easing} onChange={(easing) => put({ easing })} />
      )}
      {goes && (
        <>
          {(from === 'start' || from === 'end') && (
            <Labelled name="then">
              <Segmented
                label="How it leaves"
                value={manner.leaves}
                choices={[
                  { id: 'onward', name: 'onward' },
                  { id: 'back', name: 'back' },
                ]}
                onChange={(leaves) => put({ leaves })}
              />
            </Labelled>
          )}
          {kind === 'both' && (
            <Check isSelected={manner.hold === null} onChange={(on) => put({ hold: on ? null : 25 })}>
              Leaves with the end of the piece
            </Check>
          )}
          {kind === 'both' && manner.hold !== null && (
            <NumberField
              label="Holds"
              value={times.hold ?? null}
              min={0}
              max={99999}
              onChange={(hold) => put({ hold: Math.round(hold) })}
              {...frames}
            />
          )}
          <NumberField
            label="Writes off in"
            value={times.offFrames ?? null}
            min={1}
            max={9999}
            onChange={(value) => put({ offFrames: Math.round(value) })}
            {...frames}
          />
          <MannerEasing
            label="Leaves"
            easing={manner.offEasing}
            onChange={(offEasing) => put({ offEasing })}
          />
        </>
      )}
    </>
  );
}
