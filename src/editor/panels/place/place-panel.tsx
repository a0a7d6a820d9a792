'use client';
import { useState } from 'react';
import {
  asWholes,
  BLENDS,
  partWithId,
  setBlend,
  setParent,
  parentFault,
  unplaced,
  wholeGroup,
  withPlacement,
  type Blend,
  type Part,
  type Piece,
} from '@/core/document';
import { Button, Check, degrees, Fold, notify, percent, pixels, Select } from '@/ui';

import { edit, groupSelected, useCalm } from '../../state';
import { PartNumber } from '../keyed-part';
import { Buttons, Group, Hint, Row } from '../panel';
import { SelectionTitle } from '../selection-title';
import { PinGroup } from './pin-group';

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

function ParentChoice({ part }: { part: Part }) {
  const piece = useCalm((s) => s.piece);
  const frame = useCalm((s) => Math.round(s.frame));
  const NONE = 'none';
  const choices = [
    { id: NONE, name: 'nothing' },
    ...piece.pins.map(({ id, name }) => ({ id, name: `${name} (pin)` })),
    ...piece.groups.map(({ id, name }) => ({ id, name: `${name} (group)` })),
    ...piece.layers.map(({ id, name }) => ({ id, name })),
  ].filter(({ id }) => id !== part.id);
  const parent = part.place?.parent?.to;
  const gone = parent !== undefined && !choices.some(({ id }) => id === parent);
  return (
    <>
      <Row>
        <span>Carried by</span>
        <div style={{ width: 150 }}>
          <Select
            label="Carried by"
            value={gone ? NONE : (parent ?? NONE)}
            choices={choices}
            onChange={(id) => {
              const fault = id === NONE ? null : parentFault(piece, part.id, id);
              if (fault) notify(fault);
              else edit((p) => setParent(p, part.id, id === NONE ? null : id, frame));
            }}
          />
        </div>
      </Row>
      {gone && <Hint style={{ color: 'var(--caution)' }}>What carried it is gone: it stands by itself.</Hint>}
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
  const common = { owners, prepare: placed(owners, frame) };
  return (
    <>
      <SelectionTitle empty="Select what is to be moved, turned, scaled or faded: layers, or a group by its lane." />
      {only && (
        <>
          <Group
            title={more.length > 0 ? `${parts.length} things` : 'type' in only ? '' : `Group “${only.name}”`}
          >
            <PartNumber {...common} part="place.x" label="Right by" {...pixels} />
            <PartNumber {...common} part="place.y" label="Down by" {...pixels} />
            <ScaleFields {...common} together={together} onTogether={setTogether} />
            <PartNumber
              {...common}
              part="place.rotation"
              label="Turned by"
              step={Math.PI / 180}
              {...degrees}
            />
            <PartNumber
              {...common}
              part="place.opacity"
              label="Opacity"
              without={1}
              min={0}
              max={1}
              step={0.01}
              {...percent}
            />
          </Group>
          <Fold title="Slant and pivot">
            <PartNumber
              {...common}
              part="place.skewX"
              label="Slant sideways"
              min={-1.5}
              max={1.5}
              step={Math.PI / 180}
              {...degrees}
            />
            <PartNumber
              {...common}
              part="place.skewY"
              label="Slant upward"
              min={-1.5}
              max={1.5}
              step={Math.PI / 180}
              {...degrees}
            />
            <PartNumber {...common} part="place.pivotX" label="Pivot X" {...pixels} />
            <PartNumber {...common} part="place.pivotY" label="Pivot Y" {...pixels} />
            <Hint>
              On the canvas: <kbd>Alt</kbd>-drag the cross to move the pivot, a side to slant.
            </Hint>
          </Fold>
          <Group>
            <Row>
              <span>Blend</span>
              <div style={{ width: 150 }}>
                <Select
                  label="Blend"
                  value={parts.every((part) => part.blend === only.blend) ? (only.blend ?? 'normal') : null}
                  choices={[
                    { id: 'normal', name: 'normal' },
                    ...BLENDS.map((blend) => ({ id: blend, name: blendWords(blend) })),
                  ]}
                  onChange={(blend) =>
                    edit((p) => setBlend(p, owners, blend === 'normal' ? null : (blend as Blend)))
                  }
                />
              </div>
            </Row>
            {more.length === 0 && <ParentChoice part={only} />}
            <Buttons>
              <Button onPress={groupSelected} isDisabled={chosen.length < 2 && !whole}>
                {whole ? 'Ungroup' : 'Group'}
              </Button>
              <Button
                isDisabled={parts.every((part) => !part.place)}
                onPress={() => edit((p) => unplaced(p, owners))}
              >
                As it was made
              </Button>
            </Buttons>
          </Group>
        </>
      )}
      <PinGroup />
    </>
  );
}

/** Both scales as one number, or each by itself. */
function ScaleFields({
  owners,
  prepare,
  together,
  onTogether,
}: {
  owners: readonly string[];
  prepare: (piece: Piece) => Piece;
  together: boolean;
  onTogether: (to: boolean) => void;
}) {
  const common = { owners, prepare, without: 1, step: 0.01, ...percent };
  return (
    <>
      {together ? (
        <PartNumber {...common} part="place.scaleX" alsoParts={['place.scaleY']} label="Scale" />
      ) : (
        <>
          <PartNumber {...common} part="place.scaleX" label="Scale X" />
          <PartNumber {...common} part="place.scaleY" label="Scale Y" />
        </>
      )}
      <Check isSelected={together} onChange={onTogether}>
        Both sides alike
      </Check>
    </>
  );
}
