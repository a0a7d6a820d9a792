'use client';
import { Trash2 } from 'lucide-react';
import type { Guide } from '@/core/document';
import { Button, Check, Fold, IconButton, NumberField, pixels, Buttons, Row, Grow } from '@/ui';
import { edit, useCalm, useTools } from '../state';

export function Guides() {
  const guides = useCalm((s) => s.piece.guides);
  const size = useCalm((s) => s.piece.size);
  const { snapping, grid } = useTools();
  const change = (next: readonly Guide[], merge?: string) =>
    edit((piece) => ({ ...piece, guides: next }), merge);
  return (
    <Fold title="Guides, grid and snapping" open={guides.length > 0}>
      <Check isSelected={snapping} onChange={(on) => useTools.setState({ snapping: on })}>
        Snap to points, paths, guides and angles
      </Check>
      <Check isSelected={grid !== null} onChange={(on) => useTools.setState({ grid: on ? 60 : null })}>
        Grid
      </Check>
      {grid !== null && (
        <NumberField
          label="Distance"
          value={grid}
          min={2}
          max={2000}
          onChange={(g) => useTools.setState({ grid: g })}
          {...pixels}
        />
      )}
      {guides.map((guide, i) => (
        <Row key={i}>
          <Grow>
            <NumberField
              label={guide.axis === 'x' ? 'Vertical guide' : 'Horizontal guide'}
              value={guide.at}
              onChange={(at) =>
                change(
                  guides.map((g, k) => (k === i ? { ...g, at } : g)),
                  `guide ${i}`,
                )
              }
              {...pixels}
            />
          </Grow>
          <IconButton label="Remove the guide" plain onPress={() => change(guides.filter((_, k) => k !== i))}>
            <Trash2 />
          </IconButton>
        </Row>
      ))}
      <Buttons>
        <Button onPress={() => change([...guides, { axis: 'y', at: Math.round(size.height / 2) }])}>
          Horizontal guide
        </Button>
        <Button onPress={() => change([...guides, { axis: 'x', at: Math.round(size.width / 2) }])}>
          Vertical guide
        </Button>
      </Buttons>
    </Fold>
  );
}
