'use client';
import type { Easing, Way } from '@/core/timing';
import { NumberField, percent, plain, Segmented, Row } from '@/ui';
import { furthest } from './curve';

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
            min={0}
            max={1}
            step={0.01}
            onChange={(x1) => put({ ...easing, x1 })}
            {...percent}
          />
          <NumberField
            label="Arriving influence"
            value={1 - easing.x2}
            min={0}
            max={1}
            step={0.01}
            onChange={(v) => put({ ...easing, x2: Math.round((1 - v) * 1e4) / 1e4 })}
            {...percent}
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
        />
      )}
      {easing.type === 'back' && (
        <>
          <NumberField
            label="Overshoot"
            value={easing.overshoot}
            min={0}
            max={20}
            step={0.1}
            onChange={(overshoot) => put({ ...easing, overshoot })}
            {...plain}
          />
          <Row>
            <span>Goes beyond by</span>
            <span>{percent.format(furthest(easing) - 1)}</span>
          </Row>
        </>
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
          />
          <NumberField
            label="Period"
            value={easing.period}
            min={0.05}
            max={2}
            step={0.01}
            onChange={(period) => put({ ...easing, period })}
            {...percent}
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
          />
          <NumberField
            label="Stiffness"
            value={easing.stiffness}
            min={1}
            max={10000}
            step={5}
            onChange={(stiffness) => put({ ...easing, stiffness })}
            {...plain}
          />
          <NumberField
            label="Damping"
            value={easing.damping}
            min={0.1}
            max={1000}
            step={0.5}
            onChange={(damping) => put({ ...easing, damping })}
            {...plain}
          />
        </>
      )}
    </>
  );
}
