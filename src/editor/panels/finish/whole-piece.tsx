'use client';
import {
  changed,
  partWithId,
  SHUTTER,
  shutterSchema,
  updateParts,
  WHOLE_PIECE,
  type Part,
  type Piece,
} from '@/core/document';
import { drawingsPerSecond } from '@/core/effects';
import { initialOf } from '@/core/properties';
import { Check, Fold, Hint, Inset } from '@/ui';
import { OwnersOf, PartField, ValueField } from '../../properties';
import { edit, useCalm } from '../../state';

/** Lets what is chosen stay sharp where the piece has motion blur. */
export function LeftSharp({ ids }: { ids: readonly string[] }) {
  const piece = useCalm((s) => s.piece);
  if (!piece.shutter) return null;
  return (
    <Check
      isSelected={ids.every((id) => !partWithId(piece, id)?.unblurred)}
      onChange={(on) =>
        edit((p) =>
          updateParts(p, ids, <P extends Part>(part: P) =>
            changed<P>(part, { unblurred: on ? undefined : true } as Partial<P>),
          ),
        )
      }
    >
      Motion blur
    </Check>
  );
}

/** What is done to the piece as a whole: motion blur, and fewer drawings than frames. */
export function WholePiece() {
  const { shutter, drawings } = useCalm((s) => s.piece);
  const put = (change: Parameters<typeof changed<Piece>>[1]) => edit((p) => changed<Piece>(p, change));
  const facts = [shutter && 'motion blur', drawings !== undefined && 'held'].filter(Boolean).join(', ');
  return (
    <Fold title="The whole piece" {...(facts && { fact: facts })}>
      <Check isSelected={shutter !== undefined} onChange={(on) => put({ shutter: on ? SHUTTER : undefined })}>
        Motion blur
      </Check>
      {shutter && (
        <Inset>
          {(['angle', 'phase'] as const).map((part) => (
            <ValueField
              key={part}
              schema={shutterSchema}
              value={shutter}
              part={part}
              onChange={(to) => put({ shutter: { ...shutter, [part]: to } })}
            />
          ))}
          <Hint>While it plays, fewer samples are summed than in a still frame or an export.</Hint>
        </Inset>
      )}
      <Check
        isSelected={drawings !== undefined}
        onChange={(on) => put({ drawings: on ? initialOf(drawingsPerSecond()) : undefined })}
      >
        Held frames
      </Check>
      {drawings !== undefined && (
        <Inset>
          <OwnersOf ids={[WHOLE_PIECE]}>
            <PartField part="drawings" />
          </OwnersOf>
          {shutter && <Hint>Held drawings are not blurred.</Hint>}
        </Inset>
      )}
    </Fold>
  );
}
