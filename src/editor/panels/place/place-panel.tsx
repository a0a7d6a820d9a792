'use client';
import { BLENDS, type Blend } from '@/core/draw';
import { useState } from 'react';
import {
  asWholes,
  canCarry,
  partWithId,
  setBlend,
  setParent,
  unplaced,
  wholeGroup,
  withPlacement,
  type Part,
  type Piece,
  strokeById,
} from '@/core/document';
import { Button, Check, Fold, Select, Buttons, Group, Hint, Warning } from '@/ui';
import { OwnersOf, PartField } from '../../properties';
import { edit, groupSelected, ungroupSelected, useCalm } from '../../state';
import { SelectionTitle } from '../selection-title';
import { ArrangeGroup } from './arrange-group';
import { BetweenGroup } from './between-group';
import { PinGroup } from './pin-group';
import { RiderGroup } from './rider-group';

/** Words for the blend modes: the standard's, `xor` by what it does. */
const blendWords = (blend: Blend): string => (blend === 'xor' ? 'knock out' : blend.replaceAll('-', ' '));

/** Gives each of some layers and groups a placement, so that it can be changed. */
const placed =
  (ids: readonly string[], frame: number) =>
  (piece: Piece): Piece =>
    ids.reduce(
      (result, id) =>
        partWithId(result, id)?.place ? result : withPlacement(result, id, frame, (place) => place),
      piece,
    );

/** What carries layers and groups along: nothing that they carry themselves. */
function ParentChoice({ parts }: { parts: readonly Part[] }) {
  const piece = useCalm((s) => s.piece);
  const frame = useCalm((s) => Math.round(s.frame));
  const NONE = 'none';
  const choices = [
    { id: NONE, name: 'none' },
    ...piece.pins.map(({ id, name }) => ({ id, name: `${name} (pin)` })),
    ...piece.groups.map(({ id, name }) => ({ id, name: `${name} (group)` })),
    ...piece.layers.map(({ id, name }) => ({ id, name })),
  ].filter(({ id }) => id === NONE || parts.every((part) => canCarry(piece, id, part.id)));
  const parents = new Set(parts.map((part) => part.place?.parent?.to));
  const parent = parents.size === 1 ? [...parents][0] : undefined;
  const gone = parent !== undefined && !choices.some(({ id }) => id === parent);
  return (
    <>
      <Select
        before="Parent"
        label="Parent"
        value={parents.size > 1 ? null : gone ? NONE : (parent ?? NONE)}
        placeholder="differs"
        choices={choices}
        onChange={(id) =>
          edit((p) =>
            parts.reduce((result, part) => setParent(result, part.id, id === NONE ? null : id, frame), p),
          )
        }
      />
      {gone && <Warning>Its parent is gone: it stands by itself.</Warning>}
    </>
  );
}

/** How layers and groups are put into the picture. */
export function PlacePanel() {
  const piece = useCalm((s) => s.piece);
  const chosen = useCalm((s) => s.selection.layers);
  const frame = useCalm((s) => Math.round(s.frame));
  const [together, setTogether] = useState(true);
  const owners = asWholes(piece, chosen);
  const parts = owners.flatMap((id) => partWithId(piece, id) ?? []);
  const [only, ...more] = parts;
  const whole = wholeGroup(piece, chosen);
  const stroke = only && more.length === 0 ? strokeById(piece, only.id) : undefined;
  return (
    <>
      <SelectionTitle empty="Select what is to be moved, turned, scaled or faded: layers, or a group by its lane." />
      {only && (
        <OwnersOf ids={owners} prepare={placed(owners, frame)}>
          <Group
            title={more.length > 0 ? `${parts.length} things` : 'type' in only ? '' : `Group “${only.name}”`}
          >
            <PartField part="place.x" />
            <PartField part="place.y" />
            <ScaleFields together={together} onTogether={setTogether} />
            <PartField part="place.rotation" />
            <PartField part="place.opacity" />
          </Group>
          <ArrangeGroup ids={owners} />
          <Fold title="Skew and pivot">
            <PartField part="place.skewX" />
            <PartField part="place.skewY" />
            <PartField part="place.pivotX" />
            <PartField part="place.pivotY" />
            <Hint>
              On the canvas: <kbd>Alt</kbd>-drag the cross to move the pivot, a side to skew.
            </Hint>
          </Fold>
          <Group>
            <Select
              before="Blend"
              label="Blend"
              value={parts.every((part) => part.blend === only.blend) ? (only.blend ?? 'normal') : null}
              choices={[
                { id: 'normal', name: 'normal' },
                ...BLENDS.map((blend) => ({ id: blend, name: blendWords(blend) })),
              ]}
              onChange={(blend) => edit((p) => setBlend(p, owners, blend === 'normal' ? null : blend))}
            />
            <ParentChoice parts={parts} />
            <Buttons>
              <Button onPress={groupSelected}>Group</Button>
              <Button onPress={ungroupSelected} isDisabled={!whole}>
                Ungroup
              </Button>
              <Button
                style={{ gridColumn: '1 / -1' }}
                isDisabled={parts.every((part) => !part.place)}
                onPress={() => edit((p) => unplaced(p, owners))}
              >
                Reset
              </Button>
            </Buttons>
          </Group>
        </OwnersOf>
      )}
      {only && <RiderGroup ids={owners} parts={parts} />}
      {stroke && <BetweenGroup key={stroke.id} stroke={stroke} />}
      <PinGroup />
    </>
  );
}

/** Both scales as one number, or each by itself. */
const ScaleFields = ({ together, onTogether }: { together: boolean; onTogether: (to: boolean) => void }) => (
  <>
    {together ? (
      <PartField part="place.scaleX" alsoParts={['place.scaleY']} label="Scale" />
    ) : (
      <>
        <PartField part="place.scaleX" />
        <PartField part="place.scaleY" />
      </>
    )}
    <Check isSelected={together} onChange={onTogether}>
      Both sides alike
    </Check>
  </>
);
