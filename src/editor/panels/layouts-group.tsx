'use client';
import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { layoutFrom, offeredFields, type Piece } from '@/core/document';
import { Button, Fold, IconButton } from '@/ui';
import { insertHere, LayoutPicture, readLayouts, useLayouts } from '../layouts';
import { keepOnShelf, takeOffShelf, useShelfItems } from '../shelf';
import { useCalm, useEditor } from '../state';
import { Hint } from './panel';

const Grid = styled.ul`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin: 4px 0 8px;
  padding: 0;
  list-style: none;
  li {
    position: relative;
    min-width: 0;
  }
  button[data-layout] {
    width: 100%;
    padding: 0;
    border: 0;
    background: none;
    color: var(--text);
    font-size: 12px;
    line-height: 1.25;
    text-align: left;
    cursor: default;
    canvas {
      margin-bottom: 4px;
      box-shadow: 0 0 0 1px var(--rule);
    }
    &:hover canvas {
      box-shadow: 0 0 0 2px var(--head);
    }
  }
`;
const Off = styled.span`
  position: absolute;
  top: 2px;
  right: 2px;
`;

/** Width of a picture of a layout, px: two stand side by side. */
const PICTURE = 112;

function LayoutCard({ piece, name, onRemove }: { piece: Piece; name: string; onRemove?: () => void }) {
  return (
    <li>
      <button
        data-layout
        type="button"
        title={`Insert “${name}” at the playhead`}
        onClick={() => insertHere({ ...piece, name })}
      >
        <LayoutPicture piece={piece} width={PICTURE} />
        {name}
      </button>
      {onRemove && (
        <Off>
          <IconButton plain label={`Take ${name} off the shelf`} onPress={onRemove}>
            <X />
          </IconButton>
        </Off>
      )}
    </li>
  );
}

/** Ready-made titles, lower thirds, cards and charts, and those of one's own. */
export function LayoutsGroup() {
  const layouts = useLayouts((s) => s.layouts);
  const own = useShelfItems('layout');
  const chosen = useCalm((s) => s.selection.layers.length);
  const empty = useCalm((s) => s.piece.layers.length === 0);
  const [saving, setSaving] = useState(false);
  useEffect(() => void readLayouts(), []);
  const keep = async () => {
    setSaving(true);
    const { piece, selection } = useEditor.getState();
    const made = layoutFrom(piece, selection.layers, piece.name);
    const fields = made.fields.length > 0 ? made.fields : offeredFields(made, selection.layers);
    await keepOnShelf({ kind: 'layout', name: piece.name, content: { ...made, fields } });
    setSaving(false);
  };
  return (
    <Fold title="Layouts" open={empty}>
      {own.length > 0 && (
        <Grid aria-label="Own layouts">
          {own.map((item) => (
            <LayoutCard
              key={item.id}
              piece={item.content}
              name={item.name}
              onRemove={() => void takeOffShelf(item.id)}
            />
          ))}
        </Grid>
      )}
      {layouts === null ? (
        <Hint role="status">Reading …</Hint>
      ) : (
        <Grid aria-label="Layouts">
          {layouts.map(({ id, piece }) => (
            <LayoutCard key={id} piece={piece} name={piece.name} />
          ))}
        </Grid>
      )}
      <Button style={{ width: '100%' }} isDisabled={chosen === 0 || saving} onPress={() => void keep()}>
        Keep the selection as a layout
      </Button>
      {chosen === 0 && <Hint>Select layers to keep them as a layout of your own.</Hint>}
    </Fold>
  );
}
