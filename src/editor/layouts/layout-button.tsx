'use client';
import styled from 'styled-components';
import type { Piece } from '@/core/document';
import { LayoutPicture } from './layout-picture';

const Take = styled.button`
  width: 100%;
  padding: 0;
  border: 0;
  background: none;
  color: var(--text);
  font-size: 12px;
  line-height: 1.25;
  text-align: left;
  vertical-align: top;
  cursor: default;
  canvas {
    margin-bottom: 4px;
    box-shadow: 0 0 0 1px var(--rule);
  }
  &:hover canvas {
    box-shadow: 0 0 0 2px var(--head);
  }
`;

/** How high a layout stands, px, with two lines of name, whether it needs them or not. */
export const heightOfLayout = (width: number): number => (width * 9) / 16 + 36;

/** A piece that can be put in, by its picture and its name. */
export function LayoutButton({
  piece,
  name,
  hint,
  width,
  onTake,
}: {
  piece: Piece;
  name: string;
  hint: string;
  width: number;
  onTake: () => void;
}) {
  return (
    <Take data-layout type="button" title={hint} onClick={onTake} style={{ height: heightOfLayout(width) }}>
      <LayoutPicture piece={piece} width={width} />
      {name}
    </Take>
  );
}
