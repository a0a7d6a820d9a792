'use client';
import { useRef } from 'react';
import { Button, Check, Group, Hint, PanelFacts, PanelTitle } from '@/ui';
import { takeFiles, useImporting } from '../importing';
import { singleLayer, useCalm, useEditor } from '../state';
import { ArtControls, LetteringControls } from './lettering-controls';
import { SelectionTitle } from './selection-title';
import { List, UnderlayItem, UnderlayControls } from './underlay-list';
import { AddText } from './add-text';
import { Guides } from './guides';

/** The things to follow: pictures underneath, set type, imported art. */
export function UnderlayPanel() {
  const underlays = useCalm((s) => s.piece.underlays);
  const chosen = useCalm((s) => s.underlay);
  const layer = useCalm(singleLayer);
  const busy = useImporting((s) => s.busy);
  const linesOnly = useCalm((s) => s.linesOnly);
  const file = useRef<HTMLInputElement>(null);
  const underlay = underlays.find((u) => u.id === chosen);
  const artwork = layer && layer.type !== 'stroke' ? layer : null;
  return (
    <>
      {artwork ? (
        <SelectionTitle empty="" />
      ) : (
        <>
          <PanelTitle>Underlay</PanelTitle>
          <PanelFacts>What you follow: never part of the picture.</PanelFacts>
        </>
      )}
      {artwork?.type === 'lettering' && <LetteringControls lettering={artwork} />}
      {artwork?.type === 'art' && <ArtControls art={artwork} />}
      {artwork && (
        <Group>
          <Button $wide onPress={() => useEditor.setState({ step: 'trace' })}>
            Find its strokes …
          </Button>
        </Group>
      )}
      {!artwork && (
        <>
          <Group title="Pictures">
            <Button $wide isDisabled={busy !== null} onPress={() => file.current?.click()}>
              {busy ? `Taking in ${busy.name} …` : 'Add a picture or SVG …'}
            </Button>
            <input
              ref={file}
              type="file"
              multiple
              hidden
              aria-label="Picture file"
              accept=".png,.jpg,.jpeg,.webp,.svg,.json,application/json,image/png,image/jpeg,image/webp,image/svg+xml"
              onChange={(event) => {
                const files = [...(event.currentTarget.files ?? [])];
                event.currentTarget.value = '';
                void takeFiles(files);
              }}
            />
            {underlays.length === 0 && (
              <Hint>
                PNG, JPEG, WebP or SVG; an animated SVG or Lottie gives its strokes with their timing. Or drop
                one on the canvas, or paste it.
              </Hint>
            )}
            <List aria-label="Underlays">
              {underlays.map((u) => (
                <UnderlayItem key={u.id} underlay={u} chosen={u.id === chosen} />
              ))}
            </List>
          </Group>
          {underlay && <UnderlayControls underlay={underlay} />}
          <AddText />
        </>
      )}
      <Group>
        <Check isSelected={linesOnly} onChange={(on) => useEditor.setState({ linesOnly: on })}>
          Strokes as lines only
        </Check>
      </Group>
      <Guides />
    </>
  );
}
