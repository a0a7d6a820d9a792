'use client';
import styled from 'styled-components';
import { DEFAULT_INK, followersOf, type Ink, type Stroke } from '@/core/document';
import { Fold, Group, Hint, Row, Gap } from '@/ui';
import { OwnersOf, PartField } from '../../properties';
import { selectedStrokes, useCalm } from '../../state';
import { SelectionTitle } from '../selection-title';
import { ColourControls } from './colour-controls';
import { DashControls } from './dash-controls';
import { EndControls } from './end-controls';
import { InkPicture } from './ink-picture';
import { LightControls } from './light-controls';
import { LineControls } from './line-controls';
import { StyleControls } from './style-controls';
import { TaperControls } from './taper-controls';
import { TieControls } from './tie-controls';
import { WidthEditor } from './width-editor';

/** Numbers without a key stand in one column with those that have one. */
const Controlled = styled.div`
  --number-inset: 20px;
`;

/** A few words for what a fold holds, so that it need not be opened to be read. */
const facts = {
  taper: ({ taper }: Ink) =>
    taper ? [taper.start && 'start', taper.end && 'end'].filter(Boolean).join(' · ') : 'none',
  line: ({ cap, endCap, join, line }: Ink) =>
    `${line?.kind ?? 'single'} · ${endCap ? `${cap}, ${endCap}` : cap} · ${join}`,
  dashes: ({ dashes }: Ink) =>
    dashes ? { stay: 'stay put', ride: 'ride the tail', march: 'march' }[dashes.flow] : 'unbroken',
  ends: ({ ends }: Ink) => `${ends?.tail?.shape ?? 'none'} · ${ends?.head?.shape ?? 'none'}`,
  light: ({ glow, innerGlow, shadow, shadowLine }: Ink) =>
    [(glow || innerGlow) && 'glow', (shadow || shadowLine) && 'shadow'].filter(Boolean).join(' · ') || 'none',
};

function said(inks: readonly Ink[], say: (ink: Ink) => string): string {
  const all = new Set(inks.map(say));
  return all.size === 1 ? [...all][0]! : 'differs';
}

function Controls({ strokes }: { strokes: readonly Stroke[] }) {
  const inks = strokes.map((stroke) => stroke.ink);
  const piece = useCalm((s) => s.piece);
  const followed = strokes.reduce((sum, stroke) => sum + followersOf(piece, stroke.id).length, 0);
  const tied = new Set(strokes.flatMap((stroke) => stroke.ties ?? []).map((tie) => tie.property));
  return (
    <Controlled>
      <Group>
        <PartField part="ink.width" isDisabled={tied.has('width')} />
        <WidthEditor inks={inks} />
      </Group>
      <Group title="Colour">
        <ColourControls inks={inks} />
      </Group>
      <Fold title="Taper" fact={said(inks, facts.taper)}>
        <TaperControls inks={inks} />
      </Fold>
      <Fold title="Caps, joins, line" fact={said(inks, facts.line)}>
        <LineControls inks={inks} />
      </Fold>
      <Fold title="Dashes" fact={said(inks, facts.dashes)}>
        <DashControls strokes={strokes} />
      </Fold>
      <Fold title="Ends" fact={said(inks, facts.ends)}>
        <EndControls inks={inks} />
      </Fold>
      <Fold title="Glow and shadow" fact={said(inks, facts.light)}>
        <LightControls inks={inks} />
      </Fold>
      <Fold title="Ties" fact={[...tied].join(' · ') || (followed > 0 ? `followed by ${followed}` : 'none')}>
        <TieControls strokes={strokes} />
      </Fold>
      <Fold title="Styles">
        <StyleControls strokes={strokes} />
      </Fold>
      {strokes.some((stroke) => stroke.locked) && (
        <Row>
          <span>Locked strokes keep their ink.</span>
        </Row>
      )}
    </Controlled>
  );
}

/** How strokes look. */
export function InkPanel() {
  const piece = useCalm((s) => s.piece);
  const selection = useCalm((s) => s.selection);
  const strokes = selectedStrokes({ piece, selection });
  return (
    <>
      <SelectionTitle empty="Select strokes to change their ink." />
      <InkPicture ink={strokes[0]?.ink ?? DEFAULT_INK} label="The ink of the selection" />
      <Gap />
      {strokes.length === 0 ? (
        <Hint>
          New strokes take the ink of the stroke before them, or the one chosen with the pen in hand (Trace).
        </Hint>
      ) : (
        <OwnersOf ids={strokes.map((stroke) => stroke.id)}>
          <Controls strokes={strokes} />
        </OwnersOf>
      )}
    </>
  );
}
