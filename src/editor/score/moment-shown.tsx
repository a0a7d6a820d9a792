'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { parseTime, timecode } from '@/core/timing';
import { showFrame, useEditor } from '../state';

const Field = styled.input<{ $wide?: boolean }>`
  width: ${({ $wide }) => ($wide ? '104px' : '88px')};
  height: 26px;
  padding: 0 6px;
  border: 1px solid transparent;
  border-radius: 6px;
  background: none;
  font-size: ${({ $wide }) => ($wide ? '15px' : '13px')};
  color: ${({ $wide }) => ($wide ? 'var(--text)' : 'var(--quiet)')};
  &:hover {
    border-color: var(--rule);
  }
  &:focus {
    background: var(--desk);
    color: var(--text);
  }
`;

/** A moment shown in one notation and typed in any. */
function MomentField({ label, shown, wide }: { label: string; shown: string; wide?: boolean }) {
  const rate = useEditor((s) => s.piece.rate);
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    const frame = typed === null ? null : parseTime(typed.replace(/^frame\s*/i, ''), rate);
    if (frame !== null) showFrame(frame);
    setTyped(null);
  };
  return (
    <Field
      $wide={wide ?? false}
      aria-label={label}
      value={typed ?? shown}
      autoComplete="off"
      spellCheck={false}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') take();
        if (event.key === 'Escape') {
          // Untouched it is left, as any field is.
          if (typed === null) return;
          setTyped(null);
        }
        if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
          event.preventDefault();
          const step = (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1);
          showFrame(useEditor.getState().frame + step);
        }
        event.stopPropagation();
      }}
    />
  );
}

/** The moment shown. By itself: it changes with every frame that is played, and nothing around it does. */
export function MomentShown() {
  const frame = useEditor((s) => s.frame);
  const rate = useEditor((s) => s.piece.rate);
  return (
    <>
      <MomentField label="Timecode" shown={timecode(frame, rate)} wide />
      <MomentField label="Frame" shown={`frame ${frame}`} />
    </>
  );
}
