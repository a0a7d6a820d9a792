'use client';
import { LAYOUTS_SHIPPED } from '@/contract';
import { useState } from 'react';
import styled from 'styled-components';
import { layoutFrom, offeredFields } from '@/core/document';
import { Button, Fold, Hint } from '@/ui';
import { heightOfLayout, insertHere, useLayouts } from '../layouts';
import { keepOnShelf, useShelfItems } from '../shelf';
import { useCalm, useEditor } from '../state';
import { CardGrid, OwnCard, PICTURE, PieceCard } from './piece-cards';

/** Room for a layout that is not here yet. */
const Room = styled.div`
  height: ${heightOfLayout(PICTURE)}px;
  border-radius: 7px;
  background: var(--desk);
  opacity: 0.5;
`;
const insertHint = (name: string): string => `Insert “${name}” at the playhead`;

/** Ready-made titles, lower thirds, cards and charts, and those of one's own. */
export function LayoutsGroup() {
  const layouts = useLayouts();
  const own = useShelfItems('layout');
  const chosen = useCalm((s) => s.selection.layers.length);
  const empty = useCalm((s) => s.piece.layers.length === 0);
  const [saving, setSaving] = useState(false);
  /** The layout that was kept last. */
  const [made, setMade] = useState<string | null>(null);
  const keep = async () => {
    setSaving(true);
    const { piece, selection } = useEditor.getState();
    const layout = layoutFrom(piece, selection.layers, piece.name);
    const fields = layout.fields.length > 0 ? layout.fields : offeredFields(layout, selection.layers);
    const item = await keepOnShelf({ kind: 'layout', name: piece.name, content: { ...layout, fields } });
    setMade(item?.id ?? null);
    setSaving(false);
  };
  return (
    <Fold title="Layouts" open={empty}>
      {own.length > 0 && (
        <CardGrid aria-label="Own layouts">
          {own.map((item) => (
            <OwnCard
              key={item.id}
              item={item}
              isNew={item.id === made}
              hint={insertHint(item.name)}
              onTake={() => insertHere({ ...item.content, name: item.name })}
            />
          ))}
        </CardGrid>
      )}
      {layouts.isError && (
        <Hint role="alert">
          {layouts.error.message} <Button onPress={() => layouts.refetch()}>Try again</Button>
        </Hint>
      )}
      {layouts.isPending && (
        // As large as what will stand here, so that nothing below it moves away under the pointer.
        <CardGrid aria-busy aria-label="Reading the layouts">
          {Array.from({ length: LAYOUTS_SHIPPED }, (_, i) => (
            <li key={i}>
              <Room />
            </li>
          ))}
        </CardGrid>
      )}
      {layouts.data && (
        <CardGrid aria-label="Layouts">
          {layouts.data.layouts.map(({ id, piece }) => (
            <PieceCard
              key={id}
              piece={piece}
              name={piece.name}
              hint={insertHint(piece.name)}
              onTake={() => insertHere(piece)}
            />
          ))}
        </CardGrid>
      )}
      <Button $wide isDisabled={chosen === 0 || saving} onPress={() => keep()}>
        Save the selection as a layout
      </Button>
      {chosen === 0 && <Hint>Select layers to keep them as a layout of your own.</Hint>}
    </Fold>
  );
}
