'use client';
import { spanOfStrokes, withSpan, type Stroke } from '@/core/document';
import { Button, Group, NumberField, Row } from '@/ui';
import { useFrames } from '../../properties';
import { editChosen } from '../../state';

const FACTORS = [0.5, 2] as const;

/** How long the selected strokes take together, and their speed as a factor of what it is. */
export function SpeedGroup({ strokes }: { strokes: readonly Stroke[] }) {
  const frames = useFrames();
  const span = spanOfStrokes(strokes);
  if (!span || span.last === span.first) return null;
  const length = span.last - span.first;
  return (
    <Group title="Length and speed">
      <NumberField
        label="Length"
        fullLabel="Length of the selected strokes"
        value={length}
        min={1}
        max={100_000}
        onChange={(to) => editChosen((piece, ids) => withSpan(piece, ids, to), 'span')}
        {...frames}
      />
      <Row>
        <span>Speed</span>
        <div style={{ display: 'flex', gap: 6 }}>
          {FACTORS.map((factor) => (
            <Button
              key={factor}
              aria-label={`${factor === 0.5 ? '½' : factor}× speed`}
              onPress={() => editChosen((piece, ids) => withSpan(piece, ids, length / factor))}
            >
              {factor === 0.5 ? '½×' : `${factor}×`}
            </Button>
          ))}
        </div>
      </Row>
    </Group>
  );
}
