import { PIECES, SHELF, type NewShelfItem } from '@/contract';
import { readJsonBody } from '../http/json-text';
import { parseBody } from '../http/parse';
import { checkedPiece } from './checked';

/** Something for a shelf, whose content stays text. */
export interface CheckedItem {
  readonly kind: NewShelfItem['kind'];
  readonly name: string;
  readonly content: string;
}

const shelfItem = (data: unknown): CheckedItem => {
  const { kind, name, content } = parseBody(SHELF.add.body, data);
  return { kind, name, content: JSON.stringify(content) };
};

/** Bodies that hold documents or parts of them, by the endpoint that takes them: read and checked where nobody waits for it. */
const BODIES = {
  savePiece(data: unknown) {
    const { document, ...rest } = parseBody(PIECES.save.body, data);
    return { ...rest, document: checkedPiece(document) };
  },
  patchPiece(data: unknown) {
    const { patch, ...rest } = parseBody(PIECES.patch.body, data);
    return { ...rest, patch: JSON.stringify(patch) };
  },
  createPiece(data: unknown) {
    const { document } = parseBody(PIECES.create.body, data);
    return { document: checkedPiece(document) };
  },
  shelfItem,
} as const;

export type BodyName = keyof typeof BODIES;
export type BodyOf<N extends BodyName> = ReturnType<(typeof BODIES)[N]>;

/** Reads the bytes of a body. @throws HttpError in words, with the place of every fault. */
export const readBody = <N extends BodyName>({
  name,
  bytes,
}: {
  readonly name: N;
  readonly bytes: Uint8Array;
}): BodyOf<N> => BODIES[name](readJsonBody(bytes)) as BodyOf<N>;
