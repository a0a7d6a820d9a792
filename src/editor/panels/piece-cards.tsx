'use client';
import { X } from 'lucide-react';
import styled from 'styled-components';
import type { Piece } from '@/core/document';
import { IconButton } from '@/ui';
import { LayoutPicture } from '../layouts';

/** Width of a picture of a card, px: two stand side by side. */
export const PICTURE = 112;

export const CardGrid = styled.ul`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin: 4px 0 8px;
  padding: 0;
  list-style: none;
  li {
    position: relative;
    min-width: 0;
  }
  button[data-layout] {
    width: 100%;
    padding: 0;
    border: 0;
    background: none;
    color: var(--text);
    font-size: 12px;
    line-height: 1.25;
    text-align: left;
    cursor: default;
    /* Two lines of name, whether it needs them or not. */
    height: ${(PICTURE * 9) / 16 + 36}px;
    vertical-align: top;
    canvas {
      margin-bottom: 4px;
      box-shadow: 0 0 0 1px var(--rule);
    }
    &:hover canvas {
      box-shadow: 0 0 0 2px var(--head);
    }
  }
`;
const Off = styled.span`
  position: absolute;
  top: 2px;
  right: 2px;
`;

/** A piece that can be put in, by its picture and its name. */
export function PieceCard({
  piece,
  name,
  hint,
  onTake,
  onRemove,
}: {
  piece: Piece;
  name: string;
  hint: string;
  onTake: () => void;
  onRemove?: () => void;
}) {
  return (
    <li>
      <button data-layout type="button" title={hint} onClick={onTake}>
        <LayoutPicture piece={piece} width={PICTURE} />
        {name}
      </button>
      {onRemove && (
        <Off>
          <IconButton plain label={`Remove ${name} from the shelf`} onPress={onRemove}>
            <X />
          </IconButton>
        </Off>
      )}
    </li>
  );
}
