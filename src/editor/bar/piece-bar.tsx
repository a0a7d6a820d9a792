'use client';
import Link from 'next/link';
import { useState } from 'react';
import { CircleCheck, Ellipsis, Grid3x3, Keyboard, Redo2, Undo2 } from 'lucide-react';
import styled from 'styled-components';
import { framesPerSecond, rateName } from '@/core/timing';
import { Button, IconButton, MainButton, Mark, Menu, notify, Tipped, ToggleButton } from '@/ui';
import { fetchedDialog } from '../fetched';
import { NameField } from '../name-field';
import { showProof, useProof } from '../proof';
import { useSaving } from '../saving';
import { edit, redo, undo, useEditor } from '../state';
import { NARROW } from '../panel-fold';
import { SaveState, WorkState } from './save-state';
import { tourLeftAt, goToStop } from '../help';
import { themeEntries } from '../theme';

// Dialogs are fetched when they are first asked for.
const ExportDialog = fetchedDialog(() => import('../export').then((m) => m.ExportDialog));
const HistoryDialog = fetchedDialog(() => import('./history-dialog').then((m) => m.HistoryDialog));
const CompareDialog = fetchedDialog(() => import('./compare-dialog').then((m) => m.CompareDialog));

const Bar = styled.header`
  display: flex;
  align-items: center;
  gap: 10px;
  height: 46px;
  padding: 0 14px;
  border-bottom: 1px solid var(--rule);
  background: var(--ground);
`;
const Home = styled(Link)`
  display: flex;
  align-items: center;
  gap: 12px;
  color: var(--quiet);
  text-decoration: none;
  font: italic 400 19px/1 var(--serif);
  white-space: nowrap;
  &:hover {
    color: var(--text);
  }
`;
const Name = styled.h1`
  margin: 0;
  font: italic 400 22px/1 var(--serif);
  min-width: 0;
  input {
    field-sizing: content;
    width: auto;
    min-width: 60px;
    max-width: 320px;
    padding: 3px 6px;
  }
`;
const Facts = styled.span`
  margin-left: 4px;
  color: var(--quiet);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  @media ${NARROW} {
    display: none;
  }
`;
const Space = styled.div`
  flex: 1;
`;
/** Words that only screen readers hear where the window is narrow. */
const Words = styled.span`
  @media ${NARROW} {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
    white-space: nowrap;
  }
`;

/** Puts the address of what is looked at on the clipboard. */
const copyLink = () =>
  navigator.clipboard.writeText(window.location.href).then(
    () => notify('The link is copied. It opens this piece at this step and frame.'),
    () => notify('This browser does not allow copying. Copy the address from its address bar.'),
  );

/** Keeps the place of the bar until it is there. */
export const PieceBarPlace = () => <Bar as="div" />;

/** The piece: its name, its facts, whether it is saved, and what is done with the whole of it. */
export function PieceBar() {
  const name = useEditor((s) => s.piece.name);
  const size = useEditor((s) => s.piece.size);
  const rate = useEditor((s) => s.piece.rate);
  const length = useEditor((s) => s.piece.length);
  const canUndo = useEditor((s) => s.past.length > 0);
  const canRedo = useEditor((s) => s.future.length > 0);
  const safeAreas = useEditor((s) => s.safeAreas);
  const findings = useProof((s) => s.findings.length);
  const proofOpen = useProof((s) => s.open);
  const projectName = useSaving((s) => s.open?.projectName);
  const [dialog, setDialog] = useState<'export' | 'history' | null>(null);
  const [asked, setAsked] = useState({ export: false, history: false });
  const openDialog = (which: 'export' | 'history') => {
    setAsked((before) => ({ ...before, [which]: true }));
    setDialog(which);
  };
  const [compared, setCompared] = useState<number | null>(null);
  const seconds = Math.round((length / framesPerSecond(rate)) * 100) / 100;
  return (
    <Bar>
      <Home href="/" aria-label={`${projectName} / All projects`}>
        <Mark />
        <Words>{projectName} /</Words>
      </Home>
      <Name>
        <NameField
          label="Name of the piece"
          value={name}
          onChange={(to) => edit((p) => ({ ...p, name: to }))}
        />
      </Name>
      <Facts>
        {size.width} × {size.height} · {rateName(rate)} fps · {seconds} s
      </Facts>
      <SaveState />
      <WorkState />
      <Space />
      <IconButton label="Undo" keys="Ctrl Z" isDisabled={!canUndo} onPress={undo}>
        <Undo2 />
      </IconButton>
      <IconButton label="Redo" keys="Ctrl Shift Z" isDisabled={!canRedo} onPress={redo}>
        <Redo2 />
      </IconButton>
      <Tipped words="Shows the action-safe (93 %) and title-safe (90 %) areas" keys="G">
        <ToggleButton isSelected={safeAreas} onChange={(on) => useEditor.setState({ safeAreas: on })}>
          <Grid3x3 aria-hidden /> <Words>Safe areas</Words>
        </ToggleButton>
      </Tipped>
      <Tipped words="Looks for what a viewer would stumble over" keys="Y">
        <ToggleButton data-tour="proof" isSelected={proofOpen} onChange={showProof}>
          <CircleCheck aria-hidden /> <Words>Proof</Words>
          {findings > 0 && <span style={{ color: 'var(--caution)', fontWeight: 600 }}>{findings}</span>}
        </ToggleButton>
      </Tipped>
      <IconButton label="Keys" keys="?" onPress={() => window.dispatchEvent(new Event('obelus:keys'))}>
        <Keyboard />
      </IconButton>
      <Menu
        label="More"
        entries={[
          { id: 'history', name: 'History …', run: () => openDialog('history') },
          {
            id: 'tour',
            name: tourLeftAt() > 0 ? 'Continue the tour' : 'Guided tour',
            run: () => goToStop(tourLeftAt()),
          },
          { id: 'link', name: 'Copy the link', run: () => void copyLink() },
          ...themeEntries(),
        ]}
      >
        <Button aria-label="More" style={{ width: 30, padding: 0 }}>
          <Ellipsis />
        </Button>
      </Menu>
      <MainButton data-tour="export" onPress={() => openDialog('export')}>
        Export
      </MainButton>
      {asked.export && <ExportDialog isOpen={dialog === 'export'} onClose={() => setDialog(null)} />}
      {asked.history && (
        <HistoryDialog
          isOpen={dialog === 'history'}
          onClose={() => setDialog(null)}
          onCompare={(revision) => {
            setDialog(null);
            setCompared(revision);
          }}
        />
      )}
      {compared !== null && <CompareDialog revision={compared} onClose={() => setCompared(null)} />}
    </Bar>
  );
}
