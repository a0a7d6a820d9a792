'use client';
import { Brush, ImagePlus, PenTool, Shapes, X } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import styled from 'styled-components';
import { Button, Hint, IconButton, MainButton, TextInput } from '@/ui';
import { chooseFiles } from '../choose-files';
import { PICTURE_FILES, takeFiles } from '../importing';
import { heightOfLayout, insertHere, LayoutButton, useLayouts } from '../layouts';
import { focusCanvas } from '../focus-canvas';
import { addText, FacePicker, lineFacesOf, useFaces } from '../lettering';
import { play } from '../playback';
import { writeItself } from '../reveal';
import { useSaving } from '../saving';
import { takeTool, useEditor, useTools } from '../state';
import { useFreshPiece } from '../fresh-piece';

const PICTURE = 118;

const Card = styled.section`
  position: absolute;
  top: 50%;
  left: 50%;
  z-index: 6;
  width: min(720px, calc(100% - 32px));
  max-height: calc(100% - 24px);
  padding: 18px 22px 16px;
  overflow: auto;
  transform: translate(-50%, -50%);
  border: 1px solid var(--rule);
  border-radius: 14px;
  background: var(--panel);
  box-shadow: var(--shadow);
  h2 {
    margin: 0;
    font: italic 400 24px/1.1 var(--serif);
  }
  h3 {
    margin: 16px 0 8px;
    font-size: 13px;
    font-weight: 500;
    color: var(--quiet);
  }
`;
const Off = styled.div`
  position: absolute;
  top: 10px;
  right: 10px;
`;
const Word = styled.form`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 230px auto;
  align-items: center;
  gap: 8px;
  > button {
    height: 36px;
  }
`;
const Large = styled(TextInput)`
  height: 36px;
  font-size: 16px;
`;
const Layouts = styled.ul`
  display: flex;
  gap: 10px;
  margin: 0 -4px;
  padding: 3px 4px 8px;
  overflow: auto hidden;
  list-style: none;
  scrollbar-width: thin;
  scrollbar-color: var(--rule) transparent;
  li {
    flex: none;
    width: ${PICTURE}px;
    min-height: ${heightOfLayout(PICTURE)}px;
  }
`;
const Ways = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`;

/** Sets the word and lets it write itself; it plays as soon as it can. */
async function write(text: string, face: string): Promise<void> {
  const made = await addText(text, face);
  if (!made) return;
  // The card goes, and work goes on at the piece.
  focusCanvas();
  if (made.type === 'lettering' && !(await writeItself(made.id))) return;
  const calm = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  if (calm) return;
  useEditor.setState({ frame: 0 });
  play();
}

/** The word, in which face. */
function WriteWord({ fresh }: { fresh: boolean }) {
  const faces = useFaces();
  const [text, setText] = useState('');
  const face = useTools((s) => s.face);
  const [busy, setBusy] = useState(false);
  return (
    <Word
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '' || busy) return;
        setBusy(true);
        void write(text, face).finally(() => setBusy(false));
      }}
    >
      <Large
        aria-label="Word to write"
        placeholder="A word or a name"
        dir="auto"
        // Nothing else on this page could be meant by the first key of somebody who has just made it.
        autoFocus={fresh}
        maxLength={500}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event: KeyboardEvent) => event.key !== 'Escape' && event.stopPropagation()}
      />
      <FacePicker
        value={face}
        faces={[...(faces?.faces ?? []), ...lineFacesOf(faces)]}
        word={text}
        onChange={({ id }) => useTools.setState({ face: id })}
      />
      <MainButton type="submit" isDisabled={busy || text.trim() === ''}>
        {busy ? 'Writing …' : 'Let it write itself'}
      </MainButton>
    </Word>
  );
}

function LayoutRow() {
  const layouts = useLayouts();
  if (layouts.isError)
    return (
      <Hint role="alert">
        {layouts.error.message} <Button onPress={() => layouts.refetch()}>Try again</Button>
      </Hint>
    );
  return (
    <Layouts aria-label="Layouts" aria-busy={layouts.isPending} tabIndex={-1}>
      {(layouts.data?.layouts ?? []).map(({ id, piece }) => (
        <li key={id}>
          <LayoutButton
            piece={piece}
            name={piece.name}
            hint={`Insert “${piece.name}”`}
            width={PICTURE}
            onTake={() => insertHere(piece)}
          />
        </li>
      ))}
      {layouts.isPending && <li />}
    </Layouts>
  );
}

/** The ways a piece can begin, on the canvas as long as nothing is in it. */
export function BeginCard() {
  const empty = useEditor((s) => s.piece.layers.length === 0 && s.piece.underlays.length === 0);
  const tool = useEditor((s) => s.tool);
  const id = useSaving((s) => s.open?.id ?? null);
  const fresh = useFreshPiece((s) => s.id !== null && s.id === id);
  const left = useFreshPiece((s) => s.left === id);
  if (!empty || tool !== 'select' || left) return null;
  const leave = (): void => {
    useFreshPiece.setState({ left: id });
    focusCanvas();
  };
  return (
    <Card
      aria-labelledby="begin"
      data-begin
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.defaultPrevented) return;
        event.stopPropagation();
        leave();
      }}
    >
      <h2 id="begin">How does it begin?</h2>
      <Off>
        <IconButton plain label="Close" keys="Esc" onPress={leave}>
          <X />
        </IconButton>
      </Off>
      <h3>Write a word</h3>
      <WriteWord fresh={fresh} />
      <h3>Use a layout</h3>
      <LayoutRow />
      <h3>Draw, or bring something in</h3>
      <Ways>
        <Button onPress={() => takeTool('pen')}>
          <PenTool aria-hidden /> Pen
        </Button>
        <Button onPress={() => takeTool('freehand')}>
          <Brush aria-hidden /> Freehand
        </Button>
        <Button onPress={() => takeTool('shape')}>
          <Shapes aria-hidden /> Lines and shapes
        </Button>
        <Button
          onPress={() => chooseFiles(PICTURE_FILES, (files) => void takeFiles(files), { several: true })}
        >
          <ImagePlus aria-hidden /> Picture, SVG or Lottie …
        </Button>
      </Ways>
      <Hint>Or drop a file on the canvas, or paste one.</Hint>
    </Card>
  );
}
