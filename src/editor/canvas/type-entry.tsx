'use client';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import type { Point } from '@/core/geometry';
import { focusCanvas } from '../focus-canvas';
import { forgetTyped, noteTyped } from '../typed-on';
import { addText, lineBelow } from '../lettering';
import { useEditor, useTools } from '../state';
import { endTyping, startTyping, useTyping } from './typing';
import { toScreen, useView } from './view';

const Field = styled.input`
  position: absolute;
  z-index: 7;
  width: 300px;
  height: 34px;
  padding: 0 10px;
  transform: translateY(-100%);
  border: 1px solid var(--head);
  border-radius: 8px;
  background: var(--panel);
  box-shadow: var(--shadow);
  font-size: 16px;
`;

/**
 * The field in which text is written at its place on the canvas. Whatever ends it sets what was typed: Enter, Escape, a press elsewhere,
 * another tool. Ctrl Enter goes on with the next text a line below.
 */
export function TypeEntry() {
  const typing = useTyping((s) => s.typing);
  return typing && <Entry key={`${typing.at.x} ${typing.at.y}`} {...typing} />;
}

/** Sets a text at a place; one that could not be set is given back to its field. */
async function setAt(text: string, at: Point): Promise<void> {
  const made = await addText(text, useTools.getState().face, at);
  if (useTyping.getState().typing) return;
  if (!made) startTyping(at, text);
  // The tool stays in hand while the next text is being written, and another that was taken up since stays too.
  else if (useEditor.getState().tool === 'text') useEditor.setState({ tool: 'select' });
}

function Entry({ at, text: before }: { at: Point; text: string }) {
  const view = useView();
  const [text, setText] = useState(before);
  const isOver = useRef(false);
  const place = toScreen(view, at);
  const set = (): void => {
    if (isOver.current) return;
    isOver.current = true;
    endTyping();
    if (text.trim() !== '') void setAt(text, at);
  };
  return (
    <Field
      autoFocus
      aria-label="Text to set here"
      placeholder="Enter sets it, Ctrl Enter and the next"
      dir="auto"
      maxLength={500}
      style={{ left: Math.min(place.x, view.viewport.width - 310), top: Math.max(40, place.y) }}
      value={text}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={() => {
        // A window that loses the focus ends nothing. Whoever presses elsewhere types no further.
        if (!document.hasFocus()) return;
        if (!isOver.current) forgetTyped();
        set();
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        noteTyped(event.timeStamp);
        if (event.key !== 'Enter' && event.key !== 'Escape') return;
        set();
        if (event.key === 'Enter' && event.ctrlKey) startTyping(lineBelow(at));
        else focusCanvas();
      }}
    />
  );
}
