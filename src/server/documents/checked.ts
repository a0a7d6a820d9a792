import { applyPatch } from 'rfc6902';
import { hashOf, readPiece, type PatchStep, type Piece } from '@/core/document';
import { HttpError } from '../http/http-error';

/** A document that was checked, as the web server handles it: as text, so that a large one is never an object there. */
export interface CheckedDocument {
  /** JSON in today's form. */
  readonly text: string;
  /** What it holds, by `hashOf`. */
  readonly hash: string;
}

/** Reads an untrusted document, or refuses it with the place of every fault. */
export function validDocument(data: unknown): Piece {
  const result = readPiece(data);
  if (result.ok) return result.piece;
  const first = result.faults[0]!;
  throw new HttpError(
    422,
    `The piece has a fault at ${first.path || 'its top'}: ${first.message}. What was saved before is untouched.`,
    { faults: result.faults },
  );
}

export function checkedPiece(data: unknown): CheckedDocument {
  const piece = validDocument(data);
  return { text: JSON.stringify(piece), hash: hashOf(piece) };
}

/** A document as it was kept, brought to today's form. */
export const checkDocument = ({ text }: { readonly text: string }): CheckedDocument =>
  checkedPiece(JSON.parse(text));

/** A patch does not fit what it is put to, or makes something else than its author made. The document is sent whole then. */
export const unfit = (): HttpError =>
  new HttpError(422, 'What changed does not fit the piece as it was saved. Nothing was changed.', {
    unfit: true,
  });

/**
 * A document changed by a patch.
 * @param base the document that it was made against.
 * @param makes the hash of what its author made by it.
 * @throws HttpError that is `unfit` where it makes anything else.
 */
export function patchDocument({
  base,
  patch,
  makes,
}: {
  readonly base: string;
  readonly patch: string;
  readonly makes: string;
}): CheckedDocument {
  const document: unknown = JSON.parse(base);
  const steps = JSON.parse(patch) as PatchStep[];
  if (applyPatch(document, steps).some((error) => error !== null)) throw unfit();
  const made = checkedPiece(document);
  if (made.hash !== makes) throw unfit();
  return made;
}
