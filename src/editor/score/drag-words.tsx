'use client';
import styled from 'styled-components';
import { clamp } from '@/core/numbers';
import { useDragShow } from './drag';
import { useTimeScale, xOf } from './time-scale';

const Hairline = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--tail);
  z-index: 4;
`;
const Words = styled.span`
  position: absolute;
  top: 4px;
  padding: 1px 7px;
  border-radius: 5px;
  background: var(--raised);
  box-shadow: var(--shadow);
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
  z-index: 5;
  small {
    margin-left: 6px;
    color: var(--tail);
    font-size: 12px;
  }
`;

/** The number that a drag changes, and a hairline at what it was drawn to. */
export function DragWords() {
  const scale = useTimeScale();
  const { words, at, snap } = useDragShow();
  if (words === null) return null;
  const x = clamp(xOf(scale, at) + 8, 4, scale.width - 150);
  return (
    <>
      {snap && <Hairline style={{ left: xOf(scale, snap.frame) }} data-snap />}
      <Words style={{ left: x }} data-drag-words>
        {words}
        {snap && <small>{snap.name}</small>}
      </Words>
    </>
  );
}
