'use client';
import { useState } from 'react';
import {
  applyManner,
  asWholes,
  DEFAULT_INK,
  groupLayers,
  mannerOf,
  partWithId,
  setBlend,
  setFitted,
  surround,
  type Fitted,
  type Piece,
  type Surround,
} from '@/core/document';
import { Button, Fold, NumberField, parseWithUnit, pixels, Segmented, Select } from '@/ui';
import { beginDrag, edit, endDrag, newId, select, selectedStrokes, useCalm, useEditor } from '../../state';
import { Buttons, Hint, Row } from '../panel';

const drag = { onBegin: beginDrag, onEnd: endDrag };
const plain = { format: (v: number) => String(Math.round(v)), parse: parseWithUnit('') };
const WAYS = [
  { id: 'down', name: 'down' },
  { id: 'up', name: 'up' },
  { id: 'right', name: 'right' },
  { id: 'left', name: 'left' },
] as const;
type Way = (typeof WAYS)[number]['id'];

/** Frames in which a rule or a slice is drawn, and between two slices. */
const FRAMES = 12;
const APART = 2;

/** Draws something round what is chosen, timed from the frame shown. */
function withSurround(
  piece: Piece,
  id: string,
  as: Surround,
  ids: readonly string[],
  way: Way,
  from: 'start' | 'middle' | 'end',
  frame: number,
): Piece {
  const to = partWithId(piece, id);
  if (!to) return piece;
  const colour = 'type' in to && to.type === 'lettering' ? to.colour : DEFAULT_INK.colour;
  const ink = {
    ...DEFAULT_INK,
    cap: 'flat' as const,
    join: 'miter' as const,
    colour: as === 'slice' ? '#ff6b3d' : colour,
    width: Math.max(2, Math.round(piece.size.height / 180)),
  };
  const drawn = surround(piece, to, as, ids, ink, { way });
  return ids.reduce(
    (result, one, i) =>
      applyManner(
        result,
        [one],
        {
          ...mannerOf({ kind: 'on', from: as === 'slice' ? 'start' : from, onFrames: FRAMES }),
          onAt: frame + i * APART,
        },
        'Drawn on',
      ),
    drawn,
  );
}

/** Rules, borders and boxes that keep to the size of what they belong to. */
export function FittedGroup() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const [slices, setSlices] = useState(4);
  const [way, setWay] = useState<Way>('down');
  const [from, setFrom] = useState<'start' | 'middle' | 'end'>('start');
  const [id, ...more] = asWholes(piece, selection.layers);
  const fitted = selectedStrokes({ piece, selection }).filter((stroke) => stroke.fitted);
  if (fitted.length > 0) return <FittedControls ids={fitted.map((s) => s.id)} fitted={fitted[0]!.fitted!} />;
  const part = id === undefined || more.length > 0 ? undefined : partWithId(piece, id);
  if (!part || !id || ('type' in part && part.type === 'stroke')) return null;
  const add = (as: Surround, knocksOut = false) => {
    const frame = Math.round(useEditor.getState().frame);
    const ids = Array.from({ length: as === 'slice' ? slices : 1 }, newId);
    edit((p) => {
      const drawn = withSurround(p, id, as, ids, way, from, frame);
      if (!knocksOut) return drawn;
      const members = [...ids, ...selection.layers];
      const grouped = groupLayers(drawn, members, { id: newId(), name: `${part.name}, boxed`.slice(0, 120) });
      return setBlend(grouped, [id], 'xor');
    });
    select({ layers: ids });
  };
  return (
    <Fold title="Rule, border or box">
      <Segmented
        label="A rule grows"
        value={from}
        choices={[
          { id: 'start', name: 'from left' },
          { id: 'middle', name: 'middle' },
          { id: 'end', name: 'right' },
        ]}
        onChange={setFrom}
      />
      <Buttons>
        <Button onPress={() => add('under')}>Underline</Button>
        <Button onPress={() => add('over')}>Rule over it</Button>
        <Button onPress={() => add('before')}>Rule before it</Button>
        <Button onPress={() => add('box')}>Border</Button>
      </Buttons>
      <div style={{ height: 8 }} />
      <NumberField
        label="Slices of a box"
        value={slices}
        min={1}
        max={40}
        onChange={(n) => setSlices(Math.round(n))}
        {...plain}
      />
      <Row>
        <span>Slices run</span>
        <div style={{ width: 110 }}>
          <Select label="Slices run" value={way} choices={WAYS} onChange={setWay} />
        </div>
      </Row>
      <Buttons>
        <Button onPress={() => add('slice')}>Box behind it</Button>
        <Button onPress={() => add('slice', true)}>Box, knocked out</Button>
      </Buttons>
      <Hint>They keep to its size when its text changes.</Hint>
    </Fold>
  );
}

function FittedControls({ ids, fitted }: { ids: readonly string[]; fitted: Fitted }) {
  const piece = useCalm((s) => s.piece);
  const to = partWithId(piece, fitted.to);
  const change = (part: Partial<Fitted>) =>
    edit((p) => setFitted(p, ids, (now) => (now ? { ...now, ...part } : null)), 'fitted');
  const line = fitted.as === 'under' || fitted.as === 'over';
  return (
    <Fold title="Keeps to" fact={to?.name ?? 'gone'} open>
      {!to && <Hint style={{ color: 'var(--caution)' }}>What it kept to is gone: it stays as it is.</Hint>}
      <NumberField
        label={line ? 'Longer by' : 'Room sideways'}
        value={fitted.padX}
        min={-4000}
        max={4000}
        onChange={(padX) => change({ padX })}
        {...pixels}
        {...drag}
      />
      <NumberField
        label={line ? 'Away by' : 'Room above, below'}
        value={fitted.padY}
        min={-4000}
        max={4000}
        onChange={(padY) => change({ padY })}
        {...pixels}
        {...drag}
      />
      {fitted.as === 'box' && (
        <NumberField
          label="Corner radius"
          value={fitted.radius}
          min={0}
          max={4000}
          onChange={(radius) => change({ radius })}
          {...pixels}
          {...drag}
        />
      )}
      {fitted.slice ? (
        <Row>
          <span>Slices run</span>
          <div style={{ width: 110 }}>
            <Select
              label="Slices run"
              value={fitted.slice.way}
              choices={WAYS}
              onChange={(way) =>
                edit((p) =>
                  setFitted(p, ids, (now) =>
                    now ? { ...now, ...(now.slice && { slice: { ...now.slice, way } }) } : null,
                  ),
                )
              }
            />
          </div>
        </Row>
      ) : (
        <Segmented
          label="Its path begins"
          value={fitted.from}
          choices={[
            { id: 'left', name: 'left' },
            { id: 'right', name: 'right' },
          ]}
          onChange={(side) => change({ from: side })}
        />
      )}
      <Button
        style={{ width: '100%', marginTop: 6 }}
        onPress={() => edit((p) => setFitted(p, ids, () => null))}
      >
        Let it stay as it is
      </Button>
    </Fold>
  );
}
