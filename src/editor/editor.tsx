'use client';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { Group as PanelGroup, Panel, Separator, useDefaultLayout } from 'react-resizable-panels';
import styled from 'styled-components';
import { EditStepContext, inIdle, Notices, onFilesDropped, Questions } from '@/ui';
import { PieceBar, SaveBanner, StepRail, ToolStrip, ZoomStrip } from './bar';
import { showAddress, watchAddress } from './address';
import { BeginCard } from './begin';
import { CanvasStage, TypeEntry } from './canvas';
import { KeysDialog, listenForKeys } from './keys';
import { HelpButton, TourCard, tourLeftAt, goToStop } from './help';
import { filesHanded } from './handed-files';
import { SvgDialog, takeDropped, takeFiles } from './importing';
import { fetchPanels, STEP_PANELS } from './panels';
import { ProofPanel, useProof, watchProof } from './proof';
import { watchTexts } from './reveal';
import { openForEditing } from './saving';
import { Score } from './score';
import { recall, remember } from './remembered';
import { NARROW, usePanelFold } from './panel-fold';
import { DOCUMENT_STEP, sayWhatIsHeld, useEditor } from './state';

const Page = styled.main`
  display: flex;
  flex-direction: column;
  height: 100vh;
  /* Clipped and not hidden: what is hidden can still be scrolled out of the window, by a field that gets the focus. */
  overflow: clip;
`;
const Skip = styled.a`
  position: absolute;
  z-index: 80;
  top: 6px;
  left: 6px;
  padding: 6px 12px;
  border-radius: 7px;
  background: var(--raised);
  color: var(--text);
  &:not(:focus) {
    clip-path: inset(50%);
  }
`;
const Upper = styled.div`
  position: relative;
  display: flex;
  height: 100%;
  overflow: clip;
`;
const Side = styled.aside<{ $open: boolean }>`
  width: 262px;
  flex: none;
  padding: 12px 14px;
  border-right: 1px solid var(--rule);
  background: var(--panel);
  overflow: hidden auto;
  scrollbar-width: thin;
  scrollbar-color: var(--rule) transparent;
  /* In a narrow window (200 % zoom) it folds away and lies over the canvas while it is open. */
  @media ${NARROW} {
    position: absolute;
    z-index: 9;
    top: 0;
    bottom: 0;
    left: 58px;
    width: min(262px, calc(100% - 58px));
    box-shadow: var(--shadow);
    ${({ $open }) => !$open && 'display: none;'}
  }
`;
const Middle = styled.div`
  position: relative;
  flex: 1;
  min-width: 0;
`;
const Divider = styled(Separator)`
  height: 5px;
  margin: -2px 0;
  z-index: 5;
  background: linear-gradient(transparent 2px, var(--rule) 2px 3px, transparent 3px);
  outline: none;
  &:hover,
  &:focus-visible {
    background: var(--head);
  }
`;
const Plain = styled.div`
  display: grid;
  place-content: center;
  gap: 12px;
  height: 100vh;
  text-align: center;
  color: var(--quiet);
  a {
    color: var(--head);
  }
`;

/** The editor of one piece. */
export function Editor({ id }: { id: string }) {
  const [ready, setReady] = useState(false);
  const [error, setError] = useState('');
  const step = useEditor((s) => s.step);
  const proof = useProof((s) => s.open);
  const StepPanel = STEP_PANELS[step];
  const panelOpen = usePanelFold((s) => s.open);
  const layout = useDefaultLayout({ id: 'obelus-score', storage: { getItem: recall, setItem: remember } });
  useEffect(() => {
    let close: (() => void) | null = null;
    let watches: (() => void)[] = [];
    let left = false;
    openForEditing(id, () => !left).then(
      (end) => {
        // Left while it was being opened: it is closed at once.
        if (left) return end();
        close = end;
        showAddress();
        const tour = new URLSearchParams(window.location.search).has('tour');
        setReady(true);
        inIdle(fetchPanels);
        const files = filesHanded(id);
        if (files.length > 0) void takeFiles(files);
        if (tour) requestAnimationFrame(() => goToStop(tourLeftAt()));
        watches = [watchProof(), watchTexts(), sayWhatIsHeld(), watchAddress(), onFilesDropped(takeDropped)];
      },
      (problem: Error) => setError(problem.message),
    );
    const deaf = listenForKeys();
    return () => {
      left = true;
      deaf();
      watches.forEach((end) => end());
      close?.();
    };
  }, [id]);

  if (error) {
    return (
      <Plain role="alert">
        <p>This piece could not be opened. {error}</p>
        <Link href="/">All projects</Link>
      </Plain>
    );
  }
  if (!ready) return <Plain>Opening …</Plain>;
  return (
    <EditStepContext value={DOCUMENT_STEP}>
      <Page>
        <Skip href="#canvas">Skip to the canvas</Skip>
        <PieceBar />
        <PanelGroup orientation="vertical" {...layout} style={{ flex: 1, minHeight: 0 }}>
          <Panel id="above" defaultSize="66%" minSize="30%">
            <Upper>
              <StepRail />
              <Side aria-label="Panel" $open={panelOpen}>
                {!proof && <HelpButton />}
                {proof ? <ProofPanel /> : <StepPanel />}
              </Side>
              <Middle>
                <CanvasStage />
                <TypeEntry />
                <BeginCard />
                <SaveBanner />
                <ToolStrip />
                <ZoomStrip />
              </Middle>
            </Upper>
          </Panel>
          <Divider aria-label="Height of the score" />
          <Panel id="score" defaultSize="34%" minSize="14%">
            <Score />
          </Panel>
        </PanelGroup>
        <KeysDialog />
        <SvgDialog />
        <TourCard />
        <Questions />
        <Notices />
      </Page>
    </EditStepContext>
  );
}
