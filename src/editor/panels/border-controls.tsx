'use client';
import { useState } from 'react';
import { addLayers, DEFAULT_INK, newStroke } from '@/core/document';
import { borderPath, unite, widened, type Bounds, type CornerStyle } from '@/core/geometry';
import { SAFE, safeArea } from '@/core/proof';
import { layerBounds } from '@/core/scene';
import { Button, Fold, NumberField, pixels, Select, Hint, Gap } from '@/ui';
import { edit, newId, select, selectedLayers, useCalm, useEditor } from '../state';

type Around = 'title' | 'action' | 'piece' | 'selection';

const STYLES: readonly { id: CornerStyle; name: string }[] = [
  { id: 'square', name: 'square corners' },
  { id: 'rounded', name: 'rounded' },
  { id: 'cut', name: 'cut' },
  { id: 'scooped', name: 'scooped' },
  { id: 'stepped', name: 'stepped' },
  { id: 'curled', name: 'curled' },
];
function boxAround(around: Around): Bounds | null {
  const state = useEditor.getState();
  if (around === 'selection')
    return unite(
      selectedLayers(state)
        .map(layerBounds)
        .filter((b) => b !== null),
    );
  return safeArea(state.piece.size, around === 'piece' ? 1 : SAFE[around]);
}

/** A frame as one closed stroke, or two, sized to a safe area or to what is selected. */
export function BorderControls() {
  const some = useCalm((s) => s.selection.layers.length > 0);
  const [around, setAround] = useState<Around>('title');
  const [style, setStyle] = useState<CornerStyle>('scooped');
  const [size, setSize] = useState(70);
  const [distance, setDistance] = useState(0);
  const add = () => {
    const box = boxAround(around);
    if (!box) return;
    const path = borderPath(widened(box, distance), style, size);
    const stroke = newStroke(newId(), 'Border', path, { ...DEFAULT_INK, width: 5, join: 'miter' });
    edit((piece) => addLayers(piece, [stroke]));
    select({ layers: [stroke.id] });
  };
  return (
    <Fold title="Border">
      <Select
        label="Around"
        value={around}
        choices={{
          title: 'title-safe area, 90 %',
          action: 'action-safe area, 93 %',
          piece: 'the whole piece',
          selection: 'what is selected',
        }}
        onChange={setAround}
      />
      <Gap />
      <Select label="Corners" value={style} choices={STYLES} onChange={setStyle} />
      {style !== 'square' && (
        <NumberField label="Corner size" value={size} min={1} max={2000} onChange={setSize} {...pixels} />
      )}
      <NumberField
        label="Further out by"
        value={distance}
        min={-2000}
        max={2000}
        onChange={setDistance}
        {...pixels}
      />
      <Button $wide isDisabled={around === 'selection' && !some} onPress={add}>
        Add the border
      </Button>
      {around === 'selection' && !some && <Hint>Select what it is to go round.</Hint>}
    </Fold>
  );
}
