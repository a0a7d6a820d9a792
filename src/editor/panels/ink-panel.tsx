'use client';
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { DEFAULT_INK, newPiece, newStroke, setInk, strokesOf, type Ink, type Piece } from '@/core/document';
import { smooth, type Path } from '@/core/geometry';
import { paint } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { ColourField, NumberField, percent, pixels, Segmented } from '@/ui';
import { beginDrag, changeable, edit, endDrag, selectedStrokes, useEditor } from '../state';
import { Group, Hint, Row } from './panel';
import { SelectionTitle } from './selection-title';

const Sample = styled.canvas`
  display: block;
  width: 100%;
  height: 76px;
  margin-bottom: 10px;
  border: 1px solid var(--rule);
  border-radius: 7px;
`;
const SAMPLE = { width: 248, height: 76 } as const;
const WAVE: Path = {
  closed: false,
  points: [
    smooth(34, 46, { x: 30, y: -34 }),
    smooth(124, 38, { x: 30, y: 22 }),
    smooth(214, 30, { x: 30, y: -34 }),
  ],
};

/** The real ink of the selection on a short stroke, through the same evaluate and paint as the picture. */
function InkSample({ ink, over }: { ink: Ink; over: string | null }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const ratio = window.devicePixelRatio || 1;
    const element = canvas.current!;
    element.width = SAMPLE.width * ratio;
    element.height = SAMPLE.height * ratio;
    const context = element.getContext('2d')!;
    context.fillStyle = over ?? '#322d26';
    context.fillRect(0, 0, element.width, element.height);
    const shown = { ...ink, width: Math.min(ink.width, 44) };
    const piece: Piece = {
      ...newPiece('Sample', SAMPLE),
      layers: [newStroke('sample', 'Sample', WAVE, shown)],
    };
    paint(evaluate(piece, 0), context, ratio);
  }, [ink, over]);
  return <Sample ref={canvas} role="img" aria-label="The ink of the selection" />;
}

/** The value all strokes share, or null where they differ. */
const shared = <K extends keyof Ink>(inks: readonly Ink[], key: K): Ink[K] | null =>
  inks.every((ink) => ink[key] === inks[0]![key]) ? inks[0]![key] : null;

/** Colours used in the piece, most used first. */
function coloursOf(piece: Piece): string[] {
  const count = new Map<string, number>();
  for (const { ink } of strokesOf(piece)) count.set(ink.colour, (count.get(ink.colour) ?? 0) + 1);
  return [...count.entries()]
    .sort((a, b) => b[1] - a[1])
    .map(([colour]) => colour)
    .slice(0, 16);
}

/** How strokes look. */
export function InkPanel() {
  const piece = useEditor((s) => s.piece);
  const selection = useEditor((s) => s.selection);
  const strokes = selectedStrokes({ piece, selection });
  const inks = strokes.map((stroke) => stroke.ink);
  const drag = { onBegin: beginDrag, onEnd: endDrag };
  const change =
    <K extends keyof Ink>(key: K) =>
    (value: Ink[K]) => {
      const ids = changeable();
      edit((p) => setInk(p, ids, { [key]: value }), `ink ${key}`);
    };
  return (
    <>
      <SelectionTitle empty="Select strokes to change their ink." />
      <InkSample ink={inks[0] ?? DEFAULT_INK} over={piece.over} />
      {inks.length === 0 ? (
        <Hint>New strokes take the ink of the stroke before them.</Hint>
      ) : (
        <>
          <Group>
            <NumberField
              label="Width"
              value={shared(inks, 'width')}
              min={0}
              max={4000}
              onChange={change('width')}
              {...drag}
              {...pixels}
            />
            <ColourField
              label="Colour"
              value={shared(inks, 'colour')}
              known={coloursOf(piece)}
              onChange={change('colour')}
              {...drag}
            />
            <NumberField
              label="Opacity"
              value={shared(inks, 'opacity')}
              min={0}
              max={1}
              step={0.01}
              onChange={change('opacity')}
              {...drag}
              {...percent}
            />
          </Group>
          <Group title="Caps">
            <Segmented
              label="Caps"
              value={shared(inks, 'cap')}
              choices={(['flat', 'round', 'square'] as const).map((id) => ({ id, name: id }))}
              onChange={change('cap')}
            />
          </Group>
          <Group title="Joins">
            <Segmented
              label="Joins"
              value={shared(inks, 'join')}
              choices={(['miter', 'round', 'bevel'] as const).map((id) => ({ id, name: id }))}
              onChange={change('join')}
            />
          </Group>
          {strokes.some((stroke) => stroke.locked) && (
            <Row>
              <span>Locked strokes keep their ink.</span>
            </Row>
          )}
        </>
      )}
    </>
  );
}
