'use client';
import Link from 'next/link';
import { startTransition, useCallback, useEffect, useState } from 'react';
import { Group as PanelGroup, Panel, Separator, useDefaultLayout } from 'react-resizable-panels';
import styled from 'styled-components';
import { PIECES } from '@/contract';
import { Button, EditStepContext, inIdle, MainButton, Notices, onFilesDropped, Questions } from '@/ui';
import { PieceBar, PieceBarPlace, SaveBanner, StepRail, StepRailPlace, ToolStrip, ZoomStrip } from './bar';
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
import { ApiError, call, isOutage, openForEditing } from './saving';
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
  justify-items: center;
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
  const [error, setError] = useState<Error | null>(null);
  const [attempts, setAttempts] = useState(0);
  useEffect(() => {
    let close: (() => void) | null = null;
    let watches: (() => void)[] = [];
    let left = false;
    openForEditing(id, () => !left).then((end) => {
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
    }, setError);
    const deaf = listenForKeys();
    return () => {
      left = true;
      deaf();
      watches.forEach((end) => end());
      close?.();
    };
  }, [id, attempts]);

  const tryAgain = () => {
    setError(null);
    setAttempts((before) => before + 1);
  };
  if (error) {
    return (
      <Plain role="alert">
        <p>{isBinned(error) ? error.message : `This piece could not be opened. ${error.message}`}</p>
        <WayOut id={id} error={error} onDone={tryAgain} />
        <Link href="/">All projects</Link>
      </Plain>
    );
  }
  if (!ready) return <Plain>Opening …</Plain>;
  return (
    <EditStepContext value={DOCUMENT_STEP}>
      <Opened />
    </EditStepContext>
  );
}

const isBinned = (error: Error): boolean => error instanceof ApiError && error.details['inBin'] === true;

/** What can be done about a piece that could not be opened. */
function WayOut({ id, error, onDone }: { id: string; error: Error; onDone: () => void }) {
  const [words, setWords] = useState('');
  if (isBinned(error)) {
    const bringBack = () =>
      call(PIECES.undelete, { params: { id } }).then(onDone, (problem: Error) => setWords(problem.message));
    return (
      <>
        {words && <p>{words}</p>}
        <MainButton onPress={bringBack}>Restore from the bin</MainButton>
      </>
    );
  }
  return isOutage(error) ? <Button onPress={onDone}>Try again</Button> : null;
}

/** So long the rest of a page waits for its picture, ms: a page that nobody looks at shows none. */
const FIRST_MS = 500;

/** A piece that is open. Its picture comes first: all about it takes longer to be made than that, and keeps its place meanwhile. */
function Opened() {
  const [isWhole, setWhole] = useState(false);
  const complete = useCallback(() => startTransition(() => setWhole(true)), []);
  useEffect(() => {
    const waited = setTimeout(complete, FIRST_MS);
    return () => clearTimeout(waited);
  }, [complete]);
  const panelOpen = usePanelFold((s) => s.open);
  const layout = useDefaultLayout({ id: 'obelus-score', storage: { getItem: recall, setItem: remember } });
  return (
    <Page>
      <Skip href="#canvas">Skip to the canvas</Skip>
      {isWhole ? <PieceBar /> : <PieceBarPlace />}
      <PanelGroup orientation="vertical" {...layout} style={{ flex: 1, minHeight: 0 }}>
        <Panel id="above" defaultSize="66%" minSize="30%">
          <Upper>
            {isWhole ? <StepRail /> : <StepRailPlace />}
            <Side aria-label="Panel" $open={panelOpen}>
              {isWhole && <SidePanel />}
            </Side>
            <Middle>
              <CanvasStage onShown={complete} />
              {isWhole && (
                <>
                  <TypeEntry />
                  <BeginCard />
                  <SaveBanner />
                  <ToolStrip />
                  <ZoomStrip />
                </>
              )}
            </Middle>
          </Upper>
        </Panel>
        <Divider aria-label="Height of the score" />
        <Panel id="score" defaultSize="34%" minSize="14%">
          {isWhole && <Score />}
        </Panel>
      </PanelGroup>
      {isWhole && (
        <>
          <KeysDialog />
          <SvgDialog />
          <TourCard />
          <Questions />
          <Notices />
        </>
      )}
    </Page>
  );
}

/** The panel of the step, or the proof in its place. */
function SidePanel() {
  const step = useEditor((s) => s.step);
  const proof = useProof((s) => s.open);
  const StepPanel = STEP_PANELS[step];
  return (
    <>
      {!proof && <HelpButton />}
      {proof ? <ProofPanel /> : <StepPanel />}
    </>
  );
}
