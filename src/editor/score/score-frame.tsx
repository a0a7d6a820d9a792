'use client';
import styled from 'styled-components';
import { useRulerTicks } from './ruler';

export const HEAD_WIDTH = 244;
export const RULER_HEIGHT = 22;
const MOMENTS_HEIGHT = 25;
const FOOT_HEIGHT = RULER_HEIGHT + MOMENTS_HEIGHT;

export const Root = styled.section`
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
  background: var(--panel);
`;
export const Body = styled.div`
  position: relative;
  flex: 1;
  min-height: 0;
`;
export const Scroller = styled.div`
  position: absolute;
  inset: 0 0 ${FOOT_HEIGHT}px 0;
  overflow: hidden auto;
  scrollbar-width: thin;
  scrollbar-color: var(--rule) transparent;
  outline: none;
`;
export const Over = styled.div`
  position: absolute;
  top: 0;
  bottom: 0;
  left: ${HEAD_WIDTH}px;
  right: 0;
  overflow: hidden;
  pointer-events: none;
`;
export const Foot = styled.div`
  position: absolute;
  left: ${HEAD_WIDTH}px;
  right: 0;
  bottom: 0;
  height: ${FOOT_HEIGHT}px;
  background: var(--ground);
`;
export const FootHead = styled.div`
  position: absolute;
  left: 0;
  width: ${HEAD_WIDTH}px;
  bottom: 0;
  height: ${FOOT_HEIGHT}px;
  padding: 0 12px 3px;
  display: flex;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--rule);
  background: var(--ground);
  color: var(--quiet);
  font-size: 11px;
  line-height: 23px;
  text-align: right;
`;
export const RowBox = styled.div`
  position: absolute;
  left: 0;
  right: 0;
  display: grid;
  grid-template-columns: ${HEAD_WIDTH}px 1fr;
  height: var(--lane);
  cursor: default;
  user-select: none;
  &:nth-child(odd) {
    background: color-mix(in srgb, var(--ground) 40%, transparent);
  }
  &[aria-selected='true'] {
    background: var(--raised);
    box-shadow: inset 3px 0 0 var(--head);
  }
  &:focus-visible {
    outline-offset: -2px;
  }
`;
export const Empty = styled.div`
  display: grid;
  justify-items: center;
  align-content: center;
  gap: 10px;
  height: 100%;
  color: var(--quiet);
`;
export const DropLine = styled.div`
  position: absolute;
  left: 0;
  right: 0;
  height: 2px;
  background: var(--head);
  pointer-events: none;
  z-index: 3;
`;
export const Box = styled.div`
  position: absolute;
  border: 1px solid var(--head);
  background: color-mix(in srgb, var(--head) 10%, transparent);
  pointer-events: none;
  z-index: 3;
`;
/** What is drawn over the lanes, and scrolls with them. */
export const OverLanes = styled.div`
  position: absolute;
  inset: 0 0 0 ${HEAD_WIDTH}px;
  overflow: hidden;
  pointer-events: none;
`;
const Grid = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--rule);
`;

export function GridLines() {
  return useRulerTicks().map((mark) => <Grid key={mark.frame} style={{ left: mark.x }} />);
}
