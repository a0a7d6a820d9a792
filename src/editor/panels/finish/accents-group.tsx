'use client';
import { ACCENTS, PENS } from '@/accents';
import {
  accentPlace,
  asWholes,
  insertAccent,
  layersOf,
  layoutFrom,
  newRider,
  partWithId,
  setRider,
  strokeById,
  type Piece,
} from '@/core/document';
import { Button, Fold, Hint } from '@/ui';
import { useSizeOfPicture } from '../../properties';
import { keepOnShelf, useShelfItems } from '../../shelf';
import { edit, newId, select, useCalm, useEditor } from '../../state';
import { CardGrid, OwnCard, PieceCard } from '../piece-cards';

const chosenNow = (): { piece: Piece; ids: string[]; frame: number } => {
  const { piece, selection, frame } = useEditor.getState();
  return { piece, ids: asWholes(piece, selection.layers), frame: Math.round(frame) };
};

/** Puts an accent in at the playhead, about what is chosen, and takes it in hand. */
function putAccent(accent: Piece, size: number): void {
  const { piece, ids, frame } = chosenNow();
  const put = insertAccent(piece, accent, frame, accentPlace(piece, ids, frame, size), newId);
  edit(() => put.piece);
  select({ layers: layersOf(put.piece, put.group) });
}

/** Puts a pen in that writes what is chosen; where that is nothing it can ride on, in the middle of the picture. */
function putPen(pen: Piece, size: number): void {
  const { piece, ids } = chosenNow();
  const on = ids.length === 1 ? partWithId(piece, ids[0]!) : undefined;
  const strokes = on && (!('type' in on) || strokeById(piece, on.id));
  const middle = accentPlace(piece, [], 0, size);
  const put = insertAccent(piece, pen, 0, middle, newId);
  const rider = on && strokes ? { ...newRider(on.id, size), turned: false } : null;
  edit(() => (rider ? setRider(put.piece, put.group, rider) : put.piece));
  select({ layers: layersOf(put.piece, put.group) });
}

/** Small animated marks, ours and one's own, and pens that write. */
export function AccentsGroup() {
  const own = useShelfItems('accent');
  const size = useSizeOfPicture();
  const chosen = useCalm((s) => s.selection.layers.length);
  const keep = () => {
    const { piece, ids } = chosenNow();
    const layers = ids.flatMap((id) => layersOf(piece, id));
    const name = partWithId(piece, ids[0]!)?.name ?? 'Accent';
    void keepOnShelf({ kind: 'accent', name, content: { ...layoutFrom(piece, layers, name), fields: [] } });
  };
  return (
    <>
      <Fold title="Accents">
        <CardGrid aria-label="Accents">
          {own.map((item) => (
            <OwnCard
              key={item.id}
              item={item}
              isNew={false}
              hint={`Put “${item.name}” in at the playhead`}
              onTake={() => putAccent(item.content, size)}
            />
          ))}
          {ACCENTS.map(({ id, piece }) => (
            <PieceCard
              key={id}
              piece={piece}
              name={piece.name}
              hint={`Put “${piece.name}” in at the playhead`}
              onTake={() => putAccent(piece, size)}
            />
          ))}
        </CardGrid>
        <Button $wide isDisabled={chosen === 0} onPress={keep}>
          Save the selection as an accent
        </Button>
        <Hint>They come at the playhead, about what is chosen and as wide; each is an ordinary group.</Hint>
      </Fold>
      <Fold title="Pens">
        <CardGrid aria-label="Pens">
          {PENS.map(({ id, piece }) => (
            <PieceCard
              key={id}
              piece={piece}
              name={piece.name}
              hint={`Let a ${piece.name.toLowerCase()} write what is chosen`}
              onTake={() => putPen(piece, size)}
            />
          ))}
        </CardGrid>
        <Hint>
          With a stroke or a group of strokes chosen, the pen writes it; how it leans is set in Place.
        </Hint>
      </Fold>
    </>
  );
}
