'use client';
import { Ellipsis } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import type { ShelfItem } from '@/contract';
import type { Piece } from '@/core/document';
import { IconButton, Menu } from '@/ui';
import { LayoutButton } from '../layouts';
import { NameField } from '../name-field';
import { keepOnShelf, takeOffShelf } from '../shelf';
import { useEditor } from '../state';

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
const Corner = styled.span`
  position: absolute;
  top: 2px;
  right: 2px;
`;
/** The name that is being typed lies over the one that was. */
const Naming = styled.div`
  position: absolute;
  inset: auto 0 0;
  padding: 2px 6px;
  border-radius: 5px;
  background: var(--panel);
  font-size: 12px;
`;

/** A piece that can be put in, by its picture and its name. */
export const PieceCard = ({
  piece,
  name,
  hint,
  onTake,
}: {
  piece: Piece;
  name: string;
  hint: string;
  onTake: () => void;
}) => (
  <li>
    <LayoutButton piece={piece} name={name} hint={hint} width={PICTURE} onTake={onTake} />
  </li>
);

/** A layout or accent of one's own: named, given a picture, removed. */
export function OwnCard({
  item,
  hint,
  isNew,
  onTake,
}: {
  item: ShelfItem<'layout' | 'accent'>;
  hint: string;
  /** It was kept just now: its name is asked for. */
  isNew: boolean;
  onTake: () => void;
}) {
  const [naming, setNaming] = useState(isNew);
  const field = useRef<HTMLDivElement>(null);
  const { id, kind, name, content } = item;
  useEffect(() => {
    if (naming) field.current!.querySelector('input')!.select();
  }, [naming]);
  const keep = (part: Partial<Pick<typeof item, 'name' | 'content'>>) =>
    keepOnShelf({ kind, name, content, ...part }, id);
  const entries = () => [
    { id: 'rename', name: 'Rename', run: () => setNaming(true) },
    {
      id: 'picture',
      name: 'Picture from the frame shown',
      run: () => {
        const poster = Math.min(content.length - 1, Math.round(useEditor.getState().frame));
        void keep({ content: { ...content, poster } });
      },
    },
    { id: 'remove', name: `Remove ${name} from the shelf`, run: () => void takeOffShelf(id) },
  ];
  return (
    <li>
      <LayoutButton piece={content} name={name} hint={hint} width={PICTURE} onTake={onTake} />
      <Corner>
        <Menu label={`More about ${name}`} entries={entries()}>
          <IconButton plain label={`More about ${name}`}>
            <Ellipsis />
          </IconButton>
        </Menu>
      </Corner>
      {naming && (
        <Naming ref={field} onBlur={() => setNaming(false)}>
          <NameField
            label={`Name of ${name}`}
            value={name}
            onChange={(to) => void keep({ name: to })}
            onEnd={(input) => {
              input.closest('li')!.querySelector('button')!.focus();
              setNaming(false);
            }}
          />
        </Naming>
      )}
    </li>
  );
}
