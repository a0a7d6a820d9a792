'use client';
import { overshootOf, type Easing, type Way } from '@/core/timing';
import { NumberField, NumberRows, percent, plain, Segmented, Row, type NumberRow } from '@/ui';

type Kind = Easing['type'];
type Of<K extends Kind> = Extract<Easing, { type: K }>;

/** The numbers that each kind of easing has. */
const ROWS: { readonly [K in Kind]?: readonly NumberRow<Of<K>>[] } = {
  steps: [{ part: 'count', label: 'Steps', min: 2, max: 1000, isWhole: true, ...plain }],
  back: [{ part: 'overshoot', label: 'Overshoot', min: 0, max: 20, step: 0.1, ...plain }],
  elastic: [
    { part: 'amplitude', label: 'Amplitude', min: 1, max: 20, step: 0.1, ...plain },
    { part: 'period', label: 'Period', min: 0.05, max: 2, step: 0.01, ...percent },
  ],
  spring: [
    { part: 'mass', label: 'Mass', min: 0.01, max: 100, step: 0.1, ...plain },
    { part: 'stiffness', label: 'Stiffness', min: 1, max: 10_000, step: 5, ...plain },
    { part: 'damping', label: 'Damping', min: 0.1, max: 1000, step: 0.5, ...plain },
  ],
};

const SHARE = { min: 0, max: 1, step: 0.01, ...percent };

/** The numbers of a kind of easing. */
export function Numbers({ easing, put }: { easing: Easing; put: (easing: Easing) => void }) {
  return (
    <>
      {'way' in easing && (
        <Segmented<Way>
          label="Easing way"
          value={easing.way}
          choices={{ in: 'slow start', out: 'slow end', both: 'both' }}
          onChange={(way) => put({ ...easing, way })}
        />
      )}
      {easing.type === 'bezier' && (
        <>
          <NumberField
            label="Leaving influence"
            value={easing.x1}
            onChange={(x1) => put({ ...easing, x1 })}
            {...SHARE}
          />
          <NumberField
            label="Arriving influence"
            value={1 - easing.x2}
            onChange={(v) => put({ ...easing, x2: Math.round((1 - v) * 1e4) / 1e4 })}
            {...SHARE}
          />
        </>
      )}
      <NumberRows
        rows={(ROWS[easing.type] ?? []) as readonly NumberRow<Easing>[]}
        value={easing}
        onChange={(part) => put({ ...easing, ...part } as Easing)}
      />
      {easing.type === 'back' && (
        <Row>
          <span>Goes beyond by</span>
          <span>{percent.format(overshootOf(easing))}</span>
        </Row>
      )}
    </>
  );
}
