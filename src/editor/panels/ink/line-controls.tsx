'use client';
import type { Ink } from '@/core/document';
import { MITER_LIMIT } from '@/core/ink';
import { NumberField, pixels, Segmented } from '@/ui';
import { beginDrag, endDrag } from '../../state';
import { Row } from '../panel';
import { changeInk, shared } from './ink-values';

const drag = { onBegin: beginDrag, onEnd: endDrag };

/** Caps and joins, and whether the stroke is one line, two rails or an edge alone. */
export function LineControls({ inks }: { inks: readonly Ink[] }) {
  const kind = shared(inks, (ink) => ink.line?.kind ?? ('single' as const));
  const width = (ink: Ink): number => (typeof ink.width === 'number' ? ink.width : 12);
  const of = <K extends 'double' | 'hollow'>(want: K) => inks.filter((ink) => ink.line?.kind === want);
  return (
    <>
      <Row>
        <span>Caps</span>
        <div style={{ width: 170 }}>
          <Segmented
            label="Caps"
            value={shared(inks, (ink) => ink.cap)}
            choices={(['flat', 'round', 'square'] as const).map((id) => ({ id, name: id }))}
            onChange={(cap) => changeInk({ cap }, 'cap')}
          />
        </div>
      </Row>
      <Row>
        <span>Joins</span>
        <div style={{ width: 170 }}>
          <Segmented
            label="Joins"
            value={shared(inks, (ink) => ink.join)}
            choices={(['miter', 'round', 'bevel'] as const).map((id) => ({ id, name: id }))}
            onChange={(join) => changeInk({ join }, 'join')}
          />
        </div>
      </Row>
      {inks.some((ink) => ink.join === 'miter') && (
        <NumberField
          label="Miter limit"
          value={shared(
            inks.filter((ink) => ink.join === 'miter'),
            (ink) => ink.miterLimit ?? MITER_LIMIT,
          )}
          min={1}
          max={100}
          step={0.5}
          onChange={(miterLimit) =>
            changeInk((ink) => (ink.join === 'miter' ? { miterLimit } : {}), 'miter limit')
          }
          format={(v) => `${Number(v.toFixed(1))} ×`}
          parse={(text) => {
            const value = Number.parseFloat(text);
            return Number.isFinite(value) ? value : null;
          }}
          {...drag}
        />
      )}
      <Row>
        <span>Line</span>
        <div style={{ width: 170 }}>
          <Segmented
            label="Line"
            value={kind}
            choices={(['single', 'double', 'hollow'] as const).map((id) => ({ id, name: id }))}
            onChange={(to) =>
              changeInk((ink) => {
                if (to === 'double') return { line: { kind: 'double', distance: width(ink) * 2.5 } };
                if (to === 'hollow')
                  return { line: { kind: 'hollow', thickness: Math.max(1, width(ink) / 6) } };
                return { line: undefined };
              }, 'line')
            }
          />
        </div>
      </Row>
      {of('double').length > 0 && (
        <NumberField
          label="Rails apart"
          value={shared(of('double'), (ink) => (ink.line?.kind === 'double' ? ink.line.distance : 0))}
          min={0}
          max={4000}
          onChange={(distance) =>
            changeInk(
              (ink) => (ink.line?.kind === 'double' ? { line: { ...ink.line, distance } } : {}),
              'rails',
            )
          }
          {...pixels}
          {...drag}
        />
      )}
      {of('hollow').length > 0 && (
        <NumberField
          label="Edge"
          value={shared(of('hollow'), (ink) => (ink.line?.kind === 'hollow' ? ink.line.thickness : 0))}
          min={0}
          max={4000}
          step={0.5}
          onChange={(thickness) =>
            changeInk(
              (ink) => (ink.line?.kind === 'hollow' ? { line: { ...ink.line, thickness } } : {}),
              'edge',
            )
          }
          {...pixels}
          {...drag}
        />
      )}
    </>
  );
}
