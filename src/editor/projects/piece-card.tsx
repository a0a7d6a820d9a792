'use client';
import { useQueryClient } from '@tanstack/react-query';
import { Ellipsis } from 'lucide-react';
import { pieceFileAddress, PIECES, type PieceSummary } from '@/contract';
import { framesPerSecond, rateName } from '@/core/timing';
import { Button, Menu, notify } from '@/ui';
import { NameField } from '../name-field';
import { call } from '../saving';
import { download } from './files';
import { Card, Picture, Caption, Icon } from './project-frame';

const facts = (p: PieceSummary): string =>
  `${p.width} × ${p.height} · ${rateName(p.rate)} fps · ${Math.round((p.length / framesPerSecond(p.rate)) * 100) / 100} s · ${p.strokes} strokes`;

/** Runs a change, says so when it fails, and shows the list anew. */
export function useChange(): (change: () => Promise<unknown>) => Promise<void> {
  const queries = useQueryClient();
  return async (change) => {
    try {
      await change();
    } catch (error) {
      notify((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ['projects'] });
  };
}

export function PieceCard({ piece }: { piece: PieceSummary }) {
  const change = useChange();
  const remove = () =>
    change(async () => {
      await call(PIECES.remove, { params: { id: piece.id } });
      notify(`"${piece.name}" is deleted.`, {
        action: {
          name: 'Undo',
          run: () => void change(() => call(PIECES.undelete, { params: { id: piece.id } })),
        },
      });
    });
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
    <Card data-piece={piece.name}>
      <Picture href={`/pieces/${piece.id}`} aria-label={`Open ${piece.name}`}>
        {/* The picture is made by the server at this very size; there is nothing for next/image to do. */}
        <img loading="lazy" src={`/api/pieces/${piece.id}/thumbnail?revision=${piece.revision}`} alt="" />
      </Picture>
      <Caption>
        <div>
          <NameField
            label={`Name of ${piece.name}`}
            value={piece.name}
            onChange={(name) => void rename(name)}
          />
          <small>{facts(piece)}</small>
        </div>
        <Menu
          label={`More about ${piece.name}`}
          entries={[
            {
              id: 'duplicate',
              name: 'Duplicate',
              run: () => void change(() => call(PIECES.duplicate, { params: { id: piece.id } })),
            },
            { id: 'save', name: 'Save as a file', run: () => download(pieceFileAddress(piece.id)) },
            { id: 'delete', name: 'Delete', run: () => void remove() },
          ]}
        >
          <Button aria-label={`More about ${piece.name}`} style={Icon}>
            <Ellipsis />
          </Button>
        </Menu>
      </Caption>
    </Card>
  );
}
