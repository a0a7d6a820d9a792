'use client';
import { Ellipsis } from 'lucide-react';
import { useState } from 'react';
import { PIECES, thumbnailAddress, type PieceSummary } from '@/contract';
import { framesPerSecond, rateName } from '@/core/timing';
import { amount, Button, Menu, openContextMenu, PictureInTurn, type MenuEntry } from '@/ui';
import { NameField } from '../name-field';
import { call } from '../saving';
import { useChosen } from './chosen';
import { PlayingPicture } from './playing-picture';
import { Card, Picture, Caption, Icon, Choose } from './project-frame';
import { useChange } from './use-change';

const facts = (p: PieceSummary): string =>
  `${p.width} × ${p.height} · ${rateName(p.rate)} fps · ${Math.round((p.length / framesPerSecond(p.rate)) * 100) / 100} s · ${amount(p.strokes, 'stroke')}`;

/** A piece in the list. */
export function PieceCard({
  piece,
  entries,
  onChoose,
}: {
  piece: PieceSummary;
  /** What can be done with it, or with all that are selected where it is one of them. */
  entries: () => readonly MenuEntry[];
  onChoose: (on: boolean, extend: boolean) => void;
}) {
  const change = useChange();
  const [over, setOver] = useState(false);
  const chosen = useChosen((s) => s.ids.includes(piece.id));
  const some = useChosen((s) => s.ids.length > 0);
  const rename = (name: string) =>
    change(async () => {
      const open = await call(PIECES.open, { params: { id: piece.id } });
      const document = { ...open.document, name };
      await call(PIECES.save, {
        params: { id: piece.id },
        body: { baseRevision: open.revision, session: 'projects', document },
      });
    });
  return (
    <Card
      data-piece={piece.name}
      data-chosen={chosen || undefined}
      onContextMenu={(event) => openContextMenu(event, `More about ${piece.name}`, entries())}
      onPointerEnter={() => setOver(true)}
      onPointerLeave={() => setOver(false)}
    >
      <Picture
        href={`/pieces/${piece.id}`}
        aria-label={`Open ${piece.name}`}
        onClick={(event) => {
          // As in lists of files: with Ctrl or Shift a press selects.
          if (!event.ctrlKey && !event.metaKey && !event.shiftKey) return;
          event.preventDefault();
          onChoose(!chosen, event.shiftKey);
        }}
      >
        <PictureInTurn src={thumbnailAddress(piece.id, piece.revision)} />
        <PlayingPicture piece={piece} over={over} />
      </Picture>
      <Choose $shown={some}>
        <input
          type="checkbox"
          aria-label={`Select ${piece.name}`}
          checked={chosen}
          onChange={(event) => onChoose(!chosen, (event.nativeEvent as MouseEvent).shiftKey)}
        />
      </Choose>
      <Caption>
        <div>
          <NameField
            label={`Name of ${piece.name}`}
            value={piece.name}
            onChange={(name) => void rename(name)}
          />
          <small>{facts(piece)}</small>
        </div>
        <Menu label={`More about ${piece.name}`} entries={entries()}>
          <Button aria-label={`More about ${piece.name}`} style={Icon}>
            <Ellipsis />
          </Button>
        </Menu>
      </Caption>
    </Card>
  );
}
