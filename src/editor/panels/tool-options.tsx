'use client';
import {
  Button,
  Check,
  NumberRows,
  type NumberRow,
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
import { useCrosshair } from '../canvas';
import { AddText } from './add-text';
import { NewInkGroup } from './new-ink-group';
import { PEN_RECORDINGS, replay, stopReplay, useTablet } from '../tablet';

const put = (part: Partial<ToolSettings>) => useTools.setState(part);

function PenOptions() {
  const drawing = useCalm((s) => s.drawing);
  const byKeys = useCrosshair((s) => s.at !== null);
  if (byKeys)
    return (
      <Group title="Pen">
        <Hint>
          Enter puts a corner down. Ctrl Enter, arrows, Enter: a smooth point with its handles pulled. On the
          first point it closes; Escape ends the stroke, Backspace takes back a point.
        </Hint>
      </Group>
    );
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
          choices={['straightened', 'smoothed', 'as drawn']}
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
              <Button key={recording.id} onPress={() => replay(recording)}>
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

const SHAPES: Record<ShapeKind, string> = {
  line: 'Line',
  rectangle: 'Rectangle',
  ellipse: 'Ellipse',
  arc: 'Arc',
  polygon: 'Polygon',
  star: 'Star',
  spiral: 'Spiral',
  loops: 'Loop-the-loop line',
};

function Direction() {
  const clockwise = useTools((s) => s.clockwise);
  return (
    <Segmented
      label="Direction"
      value={clockwise ? 'clockwise' : 'counter'}
      choices={{ clockwise: 'clockwise', counter: 'anticlockwise' }}
      onChange={(id) => put({ clockwise: id === 'clockwise' })}
    />
  );
}

const ROUND = { part: 'radius', label: 'Corner radius', min: 0, max: 4000, ...pixels } as const;
const BEGIN = { part: 'begin', label: 'Begins at', min: -360, max: 360, step: 15, ...wholeDegrees } as const;
const SIDES = { part: 'sides', label: 'Sides', min: 3, max: 60, isWhole: true, ...whole } as const;
const DEPTH = { part: 'depth', min: 0.02, max: 3, step: 0.01, ...percent } as const;
const TURNS = { part: 'turns', label: 'Turns', min: 1, max: 40, isWhole: true, ...whole } as const;

/** The numbers that each shape is drawn by. */
const NUMBERS: Record<ShapeKind, readonly NumberRow<ToolSettings>[]> = {
  line: [],
  rectangle: [ROUND],
  ellipse: [BEGIN],
  arc: [{ ...DEPTH, label: 'Rise' }],
  polygon: [SIDES],
  star: [
    { ...SIDES, label: 'Tips' },
    { ...DEPTH, label: 'Inner corners' },
  ],
  spiral: [TURNS],
  loops: [
    { ...DEPTH, label: 'Loop size' },
    { ...TURNS, label: 'Loops' },
  ],
};

function ShapeOptions() {
  const tools = useTools();
  const { shape } = tools;
  return (
    <Group title="Lines and shapes">
      <Select label="Shape" value={shape} choices={SHAPES} onChange={(id) => put({ shape: id })} />
      <NumberRows rows={NUMBERS[shape]} value={tools} onChange={put} />
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
  const options =
    tool === 'pen' || drawing ? (
      <PenOptions />
    ) : tool === 'freehand' ? (
      <FreehandOptions />
    ) : tool === 'shape' ? (
      <ShapeOptions />
    ) : null;
  if (options)
    return (
      <>
        {options}
        <NewInkGroup />
      </>
    );
  if (tool === 'text')
    return <AddText hint="Press on the canvas where its baseline begins, or write it here." />;
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
