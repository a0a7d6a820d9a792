'use client';
import styled from 'styled-components';

/** What the canvases lie in; it has the focus of the tools. */
export const Stage = styled.div`
  position: absolute;
  inset: 0;
  overflow: hidden;
  outline: none;
  touch-action: none;
  canvas {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    transform-origin: 0 0;
  }
  &:focus-visible::after {
    content: '';
    position: absolute;
    inset: 2px;
    border: 2px solid var(--head);
    border-radius: 4px;
    pointer-events: none;
  }
`;

/** Heard by screen readers, seen by nobody. */
export const Heard = styled.span`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
`;
