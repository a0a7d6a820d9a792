'use client';
import { useRef } from 'react';
import { Button, Check, Group, Hint, PanelFacts, PanelTitle } from '@/ui';
import { PICTURE_FILES, takeFiles, useImporting } from '../importing';
import { useCalm, useEditor } from '../state';
import { List, UnderlayItem, UnderlayControls } from './underlay-list';
import { Guides } from './guides';

/** The pictures that are followed, and what helps to follow them. */
export function UnderlayPanel() {
  const underlays = useCalm((s) => s.piece.underlays);
  const chosen = useCalm((s) => s.underlay);
  const busy = useImporting((s) => s.busy);
  const linesOnly = useCalm((s) => s.linesOnly);
  const file = useRef<HTMLInputElement>(null);
  const underlay = underlays.find((u) => u.id === chosen);
  return (
    <>
      <PanelTitle>Underlay</PanelTitle>
      <PanelFacts>What you follow: never part of the picture.</PanelFacts>
      <Group title="Pictures">
        <Button $wide isDisabled={busy !== null} onPress={() => file.current?.click()}>
          {busy ? `Importing ${busy.name} …` : 'Add a picture or SVG …'}
        </Button>
        <input
          ref={file}
          type="file"
          multiple
          hidden
          aria-label="Picture file"
          accept={PICTURE_FILES}
          onChange={(event) => {
            const files = [...(event.currentTarget.files ?? [])];
            event.currentTarget.value = '';
            void takeFiles(files);
          }}
        />
        {underlays.length === 0 && (
          <Hint>
            PNG, JPEG, WebP or SVG; an animated SVG or Lottie gives its strokes with their timing. Or drop one
            on the canvas, or paste it.
          </Hint>
        )}
        <List aria-label="Underlays">
          {underlays.map((u) => (
            <UnderlayItem key={u.id} underlay={u} chosen={u.id === chosen} />
          ))}
        </List>
      </Group>
      {underlay && <UnderlayControls underlay={underlay} />}
      <Group>
        <Check isSelected={linesOnly} onChange={(on) => useEditor.setState({ linesOnly: on })}>
          Strokes as lines only
        </Check>
      </Group>
      <Guides />
    </>
  );
}
