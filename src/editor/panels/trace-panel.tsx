'use client';
import { isArtwork } from '@/core/document';
import { Button, Buttons, Group, PanelFacts, PanelTitle } from '@/ui';
import { reverseSelected, selectedStrokes, singleLayer, useCalm, takeTool } from '../state';
import { AddText } from './add-text';
import { BorderControls } from './border-controls';
import { CrosshairGroup } from './crosshair-group';
import { CleanControls } from './clean-controls';
import { DuctusFold } from './ductus-fold';
import { FindStrokes } from './find-strokes';
import { ArtControls, LetteringControls } from './lettering-controls';
import { OrderControls } from './order-controls';
import { PointControls } from './point-controls';
import { SelectionTitle } from './selection-title';
import { ToolOptions } from './tool-options';
import { WriteItselfGroup } from './write-itself-group';

/** Making strokes: found in what is followed, or drawn; and mending them. */
export function TracePanel() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const chosenUnderlay = useCalm((s) => s.underlay);
  const tool = useCalm((s) => s.tool);
  const strokes = selectedStrokes({ piece, selection });
  const layer = singleLayer({ piece, selection });
  const underlay = piece.underlays.find((u) => u.id === chosenUnderlay);
  const source = underlay ?? (layer && isArtwork(layer) ? layer : null);
  const drawing = tool !== 'select' && tool !== 'hand';
  const traceable = piece.layers.some(isArtwork) || piece.underlays.length > 0;
  return (
    <>
      {underlay ? (
        <>
          <PanelTitle>{underlay.name}</PanelTitle>
          <PanelFacts>underlay</PanelFacts>
        </>
      ) : (
        <SelectionTitle
          empty={
            traceable
              ? 'Select lettering, art or an underlay to find its strokes, or draw.'
              : 'Select a stroke on the canvas or in the score, or draw one.'
          }
        />
      )}
      <CrosshairGroup />
      <ToolOptions />
      {/* With a tool in hand what it does comes first, and what is selected is not what is worked on. */}
      {!drawing && (
        <>
          <WriteItselfGroup />
          {layer?.type === 'lettering' && <DuctusFold key={layer.id} lettering={layer} />}
          {layer?.type === 'lettering' && <LetteringControls lettering={layer} />}
          {layer?.type === 'art' && <ArtControls art={layer} />}
          {source && <FindStrokes source={source} />}
        </>
      )}
      {tool === 'select' && !source && strokes.length === 0 && (
        <Group>
          <Buttons $first>
            <Button onPress={() => takeTool('pen')}>Pen</Button>
            <Button onPress={() => takeTool('freehand')}>Freehand</Button>
            <Button onPress={() => takeTool('shape')}>Shapes</Button>
            <Button onPress={() => takeTool('text')}>Set type</Button>
          </Buttons>
        </Group>
      )}
      {tool === 'select' && !source && strokes.length === 0 && <AddText />}
      {!source && (
        <>
          <PointControls />
          {strokes.length > 1 && (
            <Group title="Path">
              <Buttons $first>
                <Button onPress={reverseSelected}>Reverse</Button>
              </Buttons>
            </Group>
          )}
          {strokes.length > 0 && <CleanControls strokes={strokes} />}
          <OrderControls />
          <BorderControls />
        </>
      )}
    </>
  );
}
