'use client';
import { X } from 'lucide-react';
import styled from 'styled-components';
import type { Piece } from '@/core/document';
import { IconButton } from '@/ui';
import { LayoutButton } from '../layouts';

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
      <LayoutButton piece={piece} name={name} hint={hint} width={PICTURE} onTake={onTake} />
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
