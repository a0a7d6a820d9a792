'use client';
import { shared, type Ink } from '@/core/document';
import { Check, Segmented, Labelled } from '@/ui';
import { PartChoice, PartField } from '../../properties';
import { changeInk } from './ink-values';

const CAPS = ['flat', 'round', 'square'] as const;
const KINDS = ['single', 'double', 'hollow'] as const;

/** A line of a kind, in proportion to the width of its stroke. */
function lineOf(kind: (typeof KINDS)[number], ink: Ink): Ink['line'] {
  const width = typeof ink.width === 'number' ? ink.width : 12;
  if (kind === 'double') return { kind, distance: width * 2.5 };
  return kind === 'hollow' ? { kind, thickness: Math.max(1, width / 6) } : undefined;
}

/** A cap that is another one than this. */
const unlike = (cap: Ink['cap']): Ink['cap'] => (cap === 'round' ? 'flat' : 'round');

/** Caps and joins, and whether the stroke is one line, two rails or an edge alone. */
export function LineControls({ inks }: { inks: readonly Ink[] }) {
  return (
    <>
      <Labelled name="Caps">
        <PartChoice part="ink.cap" label="Caps" choices={CAPS} />
      </Labelled>
      <Check
        isSelected={inks.length > 0 && inks.every((ink) => ink.endCap)}
        onChange={(on) => changeInk((ink) => ({ endCap: on ? unlike(ink.cap) : undefined }), 'end cap')}
      >
        Another cap where the path ends
      </Check>
      {inks.some((ink) => ink.endCap) && (
        <Labelled name="End cap">
          <PartChoice part="ink.endCap" label="End cap" choices={CAPS} />
        </Labelled>
      )}
      <Labelled name="Joins">
        <PartChoice part="ink.join" label="Joins" choices={['miter', 'round', 'bevel']} />
      </Labelled>
      {inks.some((ink) => ink.join === 'miter') && <PartField part="ink.miterLimit" />}
      <Segmented
        before="Line"
        label="Line"
        value={shared(inks.map((ink) => ink.line?.kind ?? ('single' as const)))}
        choices={KINDS}
        onChange={(kind) => changeInk((ink) => ({ line: lineOf(kind, ink) }), 'line')}
      />
      {inks.some((ink) => ink.line?.kind === 'double') && <PartField part="ink.line.distance" />}
      {inks.some((ink) => ink.line?.kind === 'hollow') && <PartField part="ink.line.thickness" />}
    </>
  );
}
