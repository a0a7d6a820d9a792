'use client';
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalDistributeCenter,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalDistributeCenter,
  AlignVerticalSpaceBetween,
  FlipHorizontal2,
  FlipVertical2,
  MoveHorizontal,
  MoveVertical,
  type LucideIcon,
} from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import {
  alignParts,
  distributeParts,
  flipParts,
  sameSize,
  sizedTo,
  standingBox,
  type AlignBy,
  type Piece,
} from '@/core/document';
import { unite, type Bounds } from '@/core/geometry';
import { SAFE, safeArea } from '@/core/proof';
import { Group, IconButton, NumberField, Pair, pixels, Select } from '@/ui';
import { edit, useCalm, useEditor } from '../../state';

const Row = styled.div`
  display: flex;
  gap: 2px;
  margin-top: 4px;
  button {
    flex: 1;
    min-width: 0;
  }
`;

const TO = {
  others: 'one another',
  picture: 'the picture',
  title: 'the title-safe area',
  action: 'the action-safe area',
} as const;
type To = keyof typeof TO;

const boxFor = (to: To, size: Piece['size']): Bounds | null =>
  to === 'others' ? null : safeArea(size, to === 'picture' ? 1 : SAFE[to]);

const ALIGN: readonly (readonly [AlignBy, string, LucideIcon])[] = [
  ['left', 'Align left', AlignStartVertical],
  ['centre', 'Align centres', AlignCenterVertical],
  ['right', 'Align right', AlignEndVertical],
  ['top', 'Align tops', AlignStartHorizontal],
  ['middle', 'Align middles', AlignCenterHorizontal],
  ['bottom', 'Align bottoms', AlignEndHorizontal],
];

/** Aligns, distributes, sizes and flips what is selected, as it stands at the frame shown; each is one step of undo. */
export function ArrangeGroup({ ids }: { ids: readonly string[] }) {
  const piece = useCalm((s) => s.piece);
  const frame = useCalm((s) => Math.round(s.frame));
  const [wanted, setWanted] = useState<To>('others');
  const several = ids.length > 1;
  const to = several ? wanted : wanted === 'others' ? 'picture' : wanted;
  const box = unite(ids.flatMap((id) => standingBox(piece, id, frame) ?? []));
  if (!box) return null;
  const arrange = (change: (piece: Piece, frame: number) => Piece, merge?: string): void =>
    edit((p) => change(p, Math.round(useEditor.getState().frame)), merge);
  const button = (label: string, Icon: LucideIcon, least: number, run: () => void) => (
    <IconButton key={label} plain label={label} isDisabled={ids.length < least} onPress={run}>
      <Icon />
    </IconButton>
  );
  return (
    <Group title="Arrange">
      <Select
        before="Align to"
        label="Align to"
        value={to}
        choices={(Object.keys(TO) as To[])
          .filter((id) => several || id !== 'others')
          .map((id) => ({ id, name: TO[id] }))}
        onChange={setWanted}
      />
      <Row>
        {ALIGN.map(([by, label, Icon]) =>
          button(label, Icon, 1, () => arrange((p, at) => alignParts(p, ids, at, by, boxFor(to, p.size)))),
        )}
      </Row>
      <Row>
        {button('Distribute centres', AlignHorizontalDistributeCenter, 3, () =>
          arrange((p, at) => distributeParts(p, ids, at, 'x', 'middles')),
        )}
        {button('Distribute middles', AlignVerticalDistributeCenter, 3, () =>
          arrange((p, at) => distributeParts(p, ids, at, 'y', 'middles')),
        )}
        {button('Equal gaps across', AlignHorizontalSpaceBetween, 3, () =>
          arrange((p, at) => distributeParts(p, ids, at, 'x', 'gaps')),
        )}
        {button('Equal gaps down', AlignVerticalSpaceBetween, 3, () =>
          arrange((p, at) => distributeParts(p, ids, at, 'y', 'gaps')),
        )}
      </Row>
      <Row>
        {button('Same width as the first', MoveHorizontal, 2, () =>
          arrange((p, at) => sameSize(p, ids, at, 'x')),
        )}
        {button('Same height as the first', MoveVertical, 2, () =>
          arrange((p, at) => sameSize(p, ids, at, 'y')),
        )}
        {button('Flip left and right', FlipHorizontal2, 1, () =>
          arrange((p, at) => flipParts(p, ids, at, 'x')),
        )}
        {button('Flip top and bottom', FlipVertical2, 1, () =>
          arrange((p, at) => flipParts(p, ids, at, 'y')),
        )}
      </Row>
      <Pair>
        {(['x', 'y'] as const).map((axis) => (
          <NumberField
            key={axis}
            label={axis === 'x' ? 'W' : 'H'}
            fullLabel={axis === 'x' ? 'Width in the picture' : 'Height in the picture'}
            value={axis === 'x' ? box.right - box.left : box.bottom - box.top}
            min={1}
            max={100_000}
            onChange={(size) => arrange((p, at) => sizedTo(p, ids, at, axis, size), `sized ${axis}`)}
            {...pixels}
          />
        ))}
      </Pair>
    </Group>
  );
}
