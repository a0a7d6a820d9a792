'use client';
import { memo } from 'react';
import styled from 'styled-components';
import { movePoints, toSymmetric } from '@/core/document';
import type { PathPoint } from '@/core/geometry';
import { Button, NumberField, pixels, Segmented, Buttons, Group, Hint } from '@/ui';
import {
  editPath,
  editPoints,
  makeCorner,
  makeSmooth,
  reverseSelected,
  select,
  singleStroke,
  toggleClosed,
  useCalm,
  useEditor,
} from '../state';

const List = styled.ul`
  max-height: 132px;
  margin: 4px 0 0;
  padding: 0;
  overflow: auto;
  list-style: none;
  scrollbar-width: thin;
  scrollbar-color: var(--rule) transparent;
`;
const Item = styled.button`
  display: flex;
  gap: 10px;
  width: 100%;
  min-height: 24px;
  padding: 2px 7px;
  border: 0;
  border-radius: 5px;
  background: none;
  text-align: left;
  color: var(--quiet);
  &[aria-pressed='true'] {
    background: var(--pressed);
    color: var(--text);
  }
  span:first-child {
    width: 26px;
    font: italic 15px/1.3 var(--serif);
  }
  span:nth-child(2) {
    flex: 1;
  }
`;

const PointItem = memo(function PointItem({
  index,
  x,
  y,
  kind,
  chosen,
  stroke,
}: {
  index: number;
  x: number;
  y: number;
  kind: string;
  chosen: boolean;
  stroke: string;
}) {
  return (
    <li>
      <Item aria-pressed={chosen} onClick={() => select({ layers: [stroke], points: [index] })}>
        <span>{index + 1}</span>
        <span>
          {Math.round(x * 10) / 10}, {Math.round(y * 10) / 10}
        </span>
        <span>{kind}</span>
      </Item>
    </li>
  );
});

/** Points listed at most: a longer path is worked on the canvas. */
const LISTED = 200;

/** The points of the selected stroke, by number and by list. */
export function PointControls() {
  const stroke = useCalm(singleStroke);
  const chosen = useCalm((s) => s.selection.points);
  if (!stroke) return null;
  const { path } = stroke;
  const point = chosen.length === 1 ? path.points[chosen[0]!] : undefined;
  const kinds = new Set(
    (chosen.length > 0 ? chosen.map((i) => path.points[i]!) : path.points).map((p) => p?.kind),
  );
  const move = (axis: 'x' | 'y') => (value: number) => {
    const now = singleStroke(useEditor.getState())?.path.points[chosen[0]!];
    if (now)
      editPath((p) => movePoints(p, { x: 0, y: 0, [axis]: value - now[axis] }, chosen), `point ${axis}`);
  };
  return (
    <>
      <Group
        title={
          chosen.length > 0
            ? `${chosen.length} of ${path.points.length} points`
            : `${path.points.length} points`
        }
      >
        <Segmented
          label="Kind of point"
          value={kinds.size === 1 ? ([...kinds][0] as PathPoint['kind']) : null}
          choices={['corner', 'smooth', 'symmetric']}
          onChange={(kind) =>
            kind === 'corner' ? makeCorner() : kind === 'smooth' ? makeSmooth() : editPoints(toSymmetric)
          }
        />
        {point && (
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12, marginTop: 4 }}>
            {(['x', 'y'] as const).map((axis) => (
              <NumberField
                key={axis}
                label={axis.toUpperCase()}
                value={point[axis]}
                onChange={move(axis)}
                {...pixels}
              />
            ))}
          </div>
        )}
        <List aria-label="Points of the stroke">
          {path.points.slice(0, LISTED).map((p, i) => (
            <PointItem
              key={i}
              index={i}
              x={p.x}
              y={p.y}
              kind={p.kind}
              chosen={chosen.includes(i)}
              stroke={stroke.id}
            />
          ))}
        </List>
        {path.points.length > LISTED && <Hint>The first {LISTED} are listed; all are on the canvas.</Hint>}
      </Group>
      <Group title="Path">
        <Buttons $first>
          <Button onPress={toggleClosed}>{path.closed ? 'Open' : 'Close'}</Button>
          <Button onPress={reverseSelected}>Reverse</Button>
        </Buttons>
      </Group>
    </>
  );
}
