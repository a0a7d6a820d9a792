'use client';
import {
  Button,
  Check,
  NumberField,
  percent,
  pixels,
  Segmented,
  Select,
  whole,
  wholeDegrees,
  Buttons,
  Group,
  Hint,
} from '@/ui';
import { type ShapeKind, type ToolSettings, useCalm, useTools } from '../state';
import { PEN_RECORDINGS, replay, stopReplay, useTablet } from '../tablet';

const put = (part: Partial<ToolSettings>) => useTools.setState(part);

function PenOptions() {
  const drawing = useCalm((s) => s.drawing);
  return (
    <Group title="Pen">
      <Hint>
        {drawing
          ? 'Click for a corner, drag for a smooth point. Click the first point to close; Enter ends the stroke, Backspace takes back a point.'
          : 'Click or drag on the canvas to begin a stroke. On the selected stroke: an end goes on, the path takes a new point, Alt takes one out.'}
      </Hint>
    </Group>
  );
}

function FreehandOptions() {
  const { correction, pressure } = useTools();
  const playing = useTablet((s) => s.playing);
  return (
    <>
      <Group title="Freehand">
        <Segmented
          label="Correction"
          value={correction}
          choices={(['straightened', 'smoothed', 'as drawn'] as const).map((id) => ({ id, name: id }))}
          onChange={(id) => put({ correction: id })}
        />
        <Check isSelected={pressure} onChange={(on) => put({ pressure: on })}>
          Pressure and tilt make the width
        </Check>
        <Hint>The hand’s own timing is kept: a stroke can be played as it was written (Time).</Hint>
      </Group>
      <Group title="Simulated pen tablet">
        {playing ? (
          <Button $wide onPress={stopReplay}>
            Lift the pen
          </Button>
        ) : (
          <Buttons $one $first>
            {PEN_RECORDINGS.map((recording) => (
              <Button key={recording.id} onPress={() => void replay(recording)}>
                {recording.name}
              </Button>
            ))}
          </Buttons>
        )}
        <Hint>
          Recorded pen movements with pressure and time, played into the canvas as a tablet would send them.
        </Hint>
      </Group>
    </>
  );
}

const SHAPES: readonly { id: ShapeKind; name: string }[] = [
  { id: 'line', name: 'Line' },
  { id: 'rectangle', name: 'Rectangle' },
  { id: 'ellipse', name: 'Ellipse' },
  { id: 'arc', name: 'Arc' },
  { id: 'polygon', name: 'Polygon' },
  { id: 'star', name: 'Star' },
  { id: 'spiral', name: 'Spiral' },
  { id: 'loops', name: 'Loop-the-loop line' },
];

function Direction() {
  const clockwise = useTools((s) => s.clockwise);
  return (
    <Segmented
      label="Direction"
      value={clockwise ? 'clockwise' : 'counter'}
      choices={{ clockwise: 'clockwise', counter: 'counter-clockwise' }}
      onChange={(id) => put({ clockwise: id === 'clockwise' })}
    />
  );
}

function ShapeOptions() {
  const { shape, radius, sides, depth, turns, begin } = useTools();
  return (
    <Group title="Lines and shapes">
      <Select label="Shape" value={shape} choices={SHAPES} onChange={(id) => put({ shape: id })} />
      {shape === 'rectangle' && (
        <NumberField
          label="Corner radius"
          value={radius}
          min={0}
          max={4000}
          onChange={(r) => put({ radius: r })}
          {...pixels}
        />
      )}
      {shape === 'ellipse' && (
        <NumberField
          label="Begins at"
          value={begin}
          min={-360}
          max={360}
          step={15}
          onChange={(b) => put({ begin: b })}
          {...wholeDegrees}
        />
      )}
      {(shape === 'polygon' || shape === 'star') && (
        <NumberField
          label={shape === 'star' ? 'Tips' : 'Sides'}
          value={sides}
          min={3}
          max={60}
          onChange={(n) => put({ sides: Math.round(n) })}
          {...whole}
        />
      )}
      {(shape === 'star' || shape === 'arc' || shape === 'loops') && (
        <NumberField
          label={{ star: 'Inner corners', arc: 'Rise', loops: 'Loop size' }[shape]}
          value={depth}
          min={0.02}
          max={3}
          step={0.01}
          onChange={(d) => put({ depth: d })}
          {...percent}
        />
      )}
      {(shape === 'spiral' || shape === 'loops') && (
        <NumberField
          label={shape === 'spiral' ? 'Turns' : 'Loops'}
          value={turns}
          min={1}
          max={40}
          onChange={(t) => put({ turns: Math.round(t) })}
          {...whole}
        />
      )}
      {['rectangle', 'ellipse', 'arc', 'spiral'].includes(shape) && <Direction />}
      <Hint>
        {shape === 'line' || shape === 'arc' || shape === 'loops'
          ? 'Drag from one end to the other; Shift holds to steps of 45°.'
          : shape === 'rectangle' || shape === 'ellipse'
            ? 'Drag from corner to corner; Shift makes it even.'
            : 'Drag from the middle outward.'}
      </Hint>
    </Group>
  );
}

/** What the tool in hand can be told. */
export function ToolOptions() {
  const tool = useCalm((s) => s.tool);
  const drawing = useCalm((s) => s.drawing);
  if (tool === 'pen' || drawing) return <PenOptions />;
  if (tool === 'freehand') return <FreehandOptions />;
  if (tool === 'shape') return <ShapeOptions />;
  if (tool === 'order') {
    return (
      <Group title="Writing order">
        <Hint>
          Tap the strokes in the order in which they are to be written. Their starts follow. Escape ends it.
        </Hint>
      </Group>
    );
  }
  return null;
}
