'use client';
import { useEffect, useState } from 'react';
import {
  asWholes,
  changeMasks,
  groupsAround,
  maskFromStroke,
  maskShapeAround,
  newMask,
  partWithId,
  strokesOf,
  type Mask,
  type MaskKind,
  type Part,
  type Stroke,
} from '@/core/document';
import { Button, Fold, notify, Select, Buttons, Hint, Row, Grow } from '@/ui';
import { OwnersOf } from '../../properties';
import { edit, useCalm, useMaskInHand, useShapeChoice } from '../../state';
import { MaskItem } from './mask-item';

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

/** Where what is chosen is seen: masks, wipes and hold-outs. */
export function MasksGroup() {
  const piece = useCalm((s) => s.piece);
  const chosen = useCalm((s) => s.selection.layers);
  const frame = useCalm((s) => Math.round(s.frame));
  const inHand = useMaskInHand();
  const [asking, setAsking] = useState<'path' | typeof HOLD_OUT | null>(null);
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
  const putNew = (mask: Mask) => {
    edit((p) => changeMasks(p, id, (now) => [...now, mask]));
    useMaskInHand.setState({ of: id, index: masks.length });
  };
  const add = (what: MaskKind | typeof HOLD_OUT) => {
    if (what === HOLD_OUT || what === 'path') {
      setAsking(what);
      return;
    }
    const shape = maskShapeAround(piece, id, frame, what);
    if (shape) putNew(newMask(nameOf(what), shape));
    else notify('There is nothing to mask: it is empty.');
  };
  return (
    <Fold title="Masks" {...(masks.length > 0 && { fact: String(masks.length) })} open={masks.length > 0}>
      <OwnersOf ids={[id]}>
        {masks.map((mask, i) => (
          <MaskItem
            key={i}
            id={id}
            mask={mask}
            index={i}
            count={masks.length}
            inHand={inHand.of === id && inHand.index === i}
          />
        ))}
      </OwnersOf>
      <Row>
        <Grow>
          <Select
            label="Add a mask"
            value={null}
            placeholder="Add a mask …"
            choices={[...KINDS, { id: HOLD_OUT, name: 'hold-out: a drawn shape in front' }]}
            onChange={add}
          />
        </Grow>
      </Row>
      {asking && (
        <DrawnShape
          part={part}
          isHoldOut={asking === HOLD_OUT}
          onTake={(mask) => {
            putNew(mask);
            setAsking(null);
          }}
          onLeave={() => setAsking(null)}
        />
      )}
      {masks.length === 0 && !asking && (
        <Hint>
          Seen only within a shape, or not within it. A hand-drawn shape comes from a closed stroke.
        </Hint>
      )}
    </Fold>
  );
}

/** Asks which closed stroke gives the shape of a mask; the one that is chosen is marked on the canvas. */
function DrawnShape({
  part,
  isHoldOut,
  onTake,
  onLeave,
}: {
  part: Part;
  isHoldOut: boolean;
  onTake: (mask: Mask) => void;
  onLeave: () => void;
}) {
  const piece = useCalm((s) => s.piece);
  const frame = useCalm((s) => Math.round(s.frame));
  const closed = strokesOf(piece).filter((stroke) => stroke.path.closed && stroke.id !== part.id);
  // What was drawn last is most likely meant; it stands last.
  const [wanted, setWanted] = useState<string | null>(null);
  const stroke = closed.find(({ id }) => id === wanted) ?? closed.at(-1);
  const id = stroke?.id ?? null;
  useEffect(() => {
    useShapeChoice.setState({ stroke: id });
    return () => useShapeChoice.setState({ stroke: null });
  }, [id]);
  if (!stroke)
    return (
      <Hint role="alert">
        There is no closed stroke. Draw the shape with the pen and close it on its first point, then add it
        here. <Button onPress={onLeave}>Cancel</Button>
      </Hint>
    );
  const groupsOf = (of: Stroke): string =>
    groupsAround(piece, of)
      .map((group) => ` · ${group.name}`)
      .join('');
  const take = () => {
    const mask = maskFromStroke(piece, part, stroke, frame, isHoldOut);
    if (mask) onTake(mask);
    else notify('What is to be masked is flat at this frame. Show it first.');
  };
  return (
    <div role="group" aria-label="Shape of the mask">
      <Select
        label="Closed stroke that is its shape"
        value={stroke.id}
        choices={closed.map((one) => ({ id: one.id, name: `${one.name}${groupsOf(one)}` }))}
        onChange={setWanted}
      />
      <Hint>
        {isHoldOut
          ? 'It stands in the picture where it was drawn: what it holds out moves behind it.'
          : 'It moves along with what it masks.'}
      </Hint>
      <Buttons>
        <Button onPress={take}>Use “{stroke.name}”</Button>
        <Button onPress={onLeave}>Cancel</Button>
      </Buttons>
    </div>
  );
}
