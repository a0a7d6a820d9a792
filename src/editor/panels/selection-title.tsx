'use client';
import { strokeById, strokesOf, wholeGroup } from '@/core/document';
import { measurePath } from '@/core/geometry';
import { NameField } from '../name-field';
import { renameGroupTo, renameLayer, selectedLayers, selectedStrokes, singleLayer, useCalm } from '../state';
import { amount, PanelFacts, PanelTitle } from '@/ui';

/** What the panel speaks of: the selected stroke by its name, or how many there are. */
export function SelectionTitle({ empty }: { empty: string }) {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const strokes = selectedStrokes({ piece, selection });
  const layer = singleLayer({ piece, selection });
  if (layer && layer.type !== 'stroke') {
    return (
      <>
        <PanelTitle>
          <NameField label="Name" value={layer.name} onChange={(name) => renameLayer(layer.id, name)} />
        </PanelTitle>
        <PanelFacts>
          {layer.type}
          {layer.locked ? ' · locked' : ''}
          {layer.hidden ? ' · hidden' : ''}
        </PanelFacts>
      </>
    );
  }
  const layers = selectedLayers({ piece, selection });
  if (layers.length > strokes.length) {
    const group = wholeGroup(piece, selection.layers);
    return (
      <>
        <PanelTitle>
          {group ? (
            <NameField
              label="Name of the group"
              value={group.name}
              onChange={(name) => renameGroupTo(group.id, name)}
            />
          ) : (
            amount(layers.length, 'layer')
          )}
        </PanelTitle>
        <PanelFacts>
          {group
            ? `group of ${amount(layers.length, 'layer')}`
            : `${amount(strokes.length, 'stroke')} among them`}
        </PanelFacts>
      </>
    );
  }
  if (strokes.length === 0) {
    return (
      <>
        <PanelTitle>Nothing selected</PanelTitle>
        <PanelFacts>{empty}</PanelFacts>
      </>
    );
  }
  const length = strokes.reduce((sum, stroke) => sum + measurePath(stroke.path).length, 0);
  if (strokes.length > 1) {
    return (
      <>
        <PanelTitle>{strokes.length} strokes</PanelTitle>
        <PanelFacts>{Math.round(length)} px together</PanelFacts>
      </>
    );
  }
  const stroke = strokes[0]!;
  const followed = stroke.ties?.find((tie) => tie.property === 'path');
  const leader = followed && strokeById(piece, followed.to);
  return (
    <>
      <PanelTitle>
        <NameField
          label="Name of the stroke"
          value={stroke.name}
          onChange={(name) => renameLayer(stroke.id, name)}
        />
      </PanelTitle>
      <PanelFacts>
        stroke {strokesOf(piece).indexOf(stroke) + 1} · {Math.round(length)} px long ·{' '}
        {stroke.path.closed ? 'closed' : 'open'}
        {stroke.locked ? ' · locked' : ''}
        {leader ? ` · path follows “${leader.name}”` : ''}
      </PanelFacts>
    </>
  );
}
