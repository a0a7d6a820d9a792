'use client';
import { ChevronDown, ChevronUp, X } from 'lucide-react';
import {
  asWholes,
  newMask,
  ownBox,
  partWithId,
  setMasks,
  type Mask,
  type MaskKind,
  type MaskShape,
  type Piece,
} from '@/core/document';
import type { Bounds } from '@/core/geometry';
import { Check, degrees, Fold, IconButton, notify, percent, pixels, Segmented, Select } from '@/ui';
import { edit, useCalm, useEditor, useMaskInHand } from '../../state';
import { PartNumber } from '../keyed-part';
import { Hint, Row } from '../panel';
import { PathKey } from './path-key';

const KINDS: readonly { id: MaskKind; name: string }[] = [
  { id: 'rectangle', name: 'rectangle' },
  { id: 'ellipse', name: 'ellipse' },
  { id: 'path', name: 'drawn shape' },
  { id: 'linear wipe', name: 'wipe in a line' },
  { id: 'radial wipe', name: 'wipe from a point' },
  { id: 'clock wipe', name: 'wipe like a clock' },
];
/** A shape that hides what lies behind it. */
const HOLD_OUT = 'hold-out';
const nameOf = (kind: MaskKind): string => KINDS.find(({ id }) => id === kind)!.name;

/** A shape that covers a box; what is drawn comes from a stroke. */
function shapeFor(kind: Exclude<MaskKind, 'path'>, { left, top, right, bottom }: Bounds): MaskShape {
  const [width, height] = [right - left, bottom - top];
  const centre = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const reach = Math.hypot(width, height) / 2;
  switch (kind) {
    case 'rectangle':
      return { kind, x: left, y: top, width, height, radius: 0 };
    case 'ellipse':
      return { kind, x: centre.x, y: centre.y, radiusX: width / 2, radiusY: height / 2 };
    case 'linear wipe':
      return { kind, from: { x: left, y: centre.y }, to: { x: right, y: centre.y }, share: 0.5 };
    case 'radial wipe':
      return { kind, centre, reach, share: 0.5 };
    case 'clock wipe':
      return { kind, centre, reach, angle: -Math.PI / 2, share: 0.5, anticlockwise: false };
  }
}

/** Where what is chosen is seen: masks, wipes and hold-outs. */
export function MasksGroup() {
  const piece = useCalm((s) => s.piece);
  const chosen = useCalm((s) => s.selection.layers);
  const frame = useCalm((s) => Math.round(s.frame));
  const held = useMaskInHand();
  const [id, ...more] = asWholes(piece, chosen);
  const part = id === undefined ? undefined : partWithId(piece, id);
  if (!part || !id) return null;
  if (more.length > 0) {
    return (
      <Fold title="Masks">
        <Hint>Group them (Ctrl+G) to mask them together, or choose one.</Hint>
      </Fold>
    );
  }
  const masks = part.masks ?? [];
  const put = (change: (masks: readonly Mask[]) => readonly Mask[]) =>
    edit((p) => setMasks(p, id, change(partWithId(p, id)?.masks ?? [])));
  const add = (what: MaskKind | typeof HOLD_OUT) => {
    const kind = what === HOLD_OUT ? 'path' : what;
    const shape = kind === 'path' ? drawnShape(piece, chosen) : boxShape(piece, id, frame, kind);
    if (!shape) return;
    const name = what === HOLD_OUT ? 'hold-out' : nameOf(kind);
    put((now) => [...now, newMask(name, shape, what === HOLD_OUT ? 'subtract' : 'add')]);
    useMaskInHand.setState({ of: id, index: masks.length });
  };
  return (
    <Fold title="Masks" {...(masks.length > 0 && { fact: String(masks.length) })} open={masks.length > 0}>
      {masks.map((mask, i) => (
        <MaskItem
          key={i}
          id={id}
          mask={mask}
          index={i}
          count={masks.length}
          inHand={held.of === id && held.index === i}
          put={put}
        />
      ))}
      <Row>
        <div style={{ flex: 1 }}>
          <Select
            label="Add a mask"
            value={null}
            placeholder="Add a mask …"
            choices={[...KINDS, { id: HOLD_OUT, name: 'hold-out: a drawn shape in front' }]}
            onChange={add}
          />
        </div>
      </Row>
      {masks.length === 0 && (
        <Hint>
          Seen only within a shape, or not within it. A hand-drawn shape comes from a closed stroke.
        </Hint>
      )}
    </Fold>
  );
}

function boxShape(piece: Piece, id: string, frame: number, kind: Exclude<MaskKind, 'path'>) {
  const box = ownBox(piece, id, frame);
  if (!box) notify('There is nothing to mask: it is empty.');
  return box && shapeFor(kind, box);
}

/** The path of the last stroke that is not among the chosen ones: what was just drawn round something. */
function drawnShape(piece: Piece, chosen: readonly string[]): MaskShape | null {
  const strokes = piece.layers.filter((layer) => layer.type === 'stroke' && !chosen.includes(layer.id));
  const stroke = strokes.findLast((layer) => layer.type === 'stroke' && layer.path.closed) ?? null;
  if (stroke?.type !== 'stroke') {
    notify(
      'Draw the shape first, as a closed stroke with the pen. Then choose what it is to mask and add it here.',
    );
    return null;
  }
  return { kind: 'path', path: stroke.path };
}

function MaskItem({
  id,
  mask,
  index,
  count,
  inHand,
  put,
}: {
  id: string;
  mask: Mask;
  index: number;
  count: number;
  inHand: boolean;
  put: (change: (masks: readonly Mask[]) => readonly Mask[]) => void;
}) {
  const { kind } = mask.shape;
  const change = (part: Partial<Mask>) =>
    put((now) => now.map((one, i) => (i === index ? { ...one, ...part } : one)));
  const swap = (to: number) =>
    put((now) => {
      const next = [...now];
      [next[index], next[to]] = [next[to]!, next[index]!];
      return next;
    });
  const number = { owners: [id] };
  const at = `masks.${index}`;
  return (
    <div
      style={{
        borderLeft: `2px solid var(${inHand ? '--head' : '--rule'})`,
        paddingLeft: 8,
        marginBottom: 8,
      }}
    >
      <Row>
        <button
          type="button"
          aria-pressed={inHand}
          style={{ border: 0, padding: 0, background: 'none', color: 'var(--text)', textAlign: 'left' }}
          onClick={() => {
            useMaskInHand.setState(inHand ? { of: null, index: 0 } : { of: id, index });
            useEditor.setState({ tool: 'select' });
          }}
        >
          {index + 1} · {mask.name}
        </button>
        <span style={{ display: 'flex' }}>
          {index > 0 && (
            <IconButton plain label={`Mask ${index + 1} earlier`} onPress={() => swap(index - 1)}>
              <ChevronUp />
            </IconButton>
          )}
          {index < count - 1 && (
            <IconButton plain label={`Mask ${index + 1} later`} onPress={() => swap(index + 1)}>
              <ChevronDown />
            </IconButton>
          )}
          <IconButton
            plain
            label={`Take mask ${index + 1} out`}
            onPress={() => {
              put((now) => now.filter((_, i) => i !== index));
              if (inHand) useMaskInHand.setState({ of: null, index: 0 });
            }}
          >
            <X />
          </IconButton>
        </span>
      </Row>
      <Segmented
        label={`What mask ${index + 1} does`}
        value={mask.how}
        choices={[
          { id: 'add', name: 'adds' },
          { id: 'subtract', name: 'takes away' },
          { id: 'intersect', name: 'both' },
        ]}
        onChange={(how) => change({ how })}
      />
      <Check isSelected={mask.inverted} onChange={(inverted) => change({ inverted })}>
        Turned inside out
      </Check>
      {kind.endsWith('wipe') && (
        <PartNumber {...number} part={`${at}.shape.share`} label="How far" step={0.01} {...percent} />
      )}
      {kind === 'clock wipe' && (
        <PartNumber
          {...number}
          part={`${at}.shape.angle`}
          label="Begins at"
          step={Math.PI / 180}
          {...degrees}
        />
      )}
      {mask.shape.kind === 'clock wipe' && (
        <Check
          isSelected={mask.shape.anticlockwise}
          onChange={(anticlockwise) =>
            mask.shape.kind === 'clock wipe' && change({ shape: { ...mask.shape, anticlockwise } })
          }
        >
          Anticlockwise
        </Check>
      )}
      {kind === 'rectangle' && (
        <PartNumber {...number} part={`${at}.shape.radius`} label="Corner radius" min={0} {...pixels} />
      )}
      {kind === 'path' && <PathKey id={id} index={index} mask={mask} />}
      <PartNumber {...number} part={`${at}.feather`} label="Soft edge" min={0} max={4000} {...pixels} />
      <PartNumber {...number} part={`${at}.expansion`} label="Wider by" min={-4000} max={4000} {...pixels} />
      <PartNumber
        {...number}
        part={`${at}.opacity`}
        label="Strength"
        min={0}
        max={1}
        step={0.01}
        {...percent}
      />
      <PartNumber {...number} part={`${at}.x`} label="Right by" {...pixels} />
      <PartNumber {...number} part={`${at}.y`} label="Down by" {...pixels} />
    </div>
  );
}
