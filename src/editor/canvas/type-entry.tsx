'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { focusCanvas } from '../focus-canvas';
import { addText } from '../lettering';
import { useTools } from '../state';
import { endTyping, useTyping } from './typing';
import { toScreen, useView } from './view';

const Field = styled.input`
  position: absolute;
  z-index: 7;
  width: 260px;
  height: 34px;
  padding: 0 10px;
  transform: translateY(-100%);
  border: 1px solid var(--head);
  border-radius: 8px;
  background: var(--panel);
  box-shadow: var(--shadow);
  font-size: 16px;
`;

/** The field in which text is written at its place on the canvas: Enter sets it, Escape leaves it. */
export function TypeEntry() {
  const at = useTyping((s) => s.at);
  return at && <Entry key={`${at.x} ${at.y}`} at={at} />;
}

function Entry({ at }: { at: { x: number; y: number } }) {
  const view = useView();
  const [text, setText] = useState('');
  const place = toScreen(view, at);
  const leave = (): void => {
    endTyping();
    focusCanvas();
  };
  const set = (): void => {
    if (text.trim() !== '') void addText(text, useTools.getState().face, at);
    leave();
  };
  return (
    <Field
      autoFocus
      aria-label="Text to set here"
      placeholder="Enter sets it"
      dir="auto"
      maxLength={500}
      style={{ left: Math.min(place.x, view.viewport.width - 270), top: Math.max(40, place.y) }}
      value={text}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={endTyping}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') set();
        else if (event.key === 'Escape') leave();
      }}
    />
  );
}
