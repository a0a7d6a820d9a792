import type { z } from 'zod';
import { pieceSchema, SCHEMA_VERSION, type Piece } from '../schema';

/** A fault in a document: the place, as `layers.3.path.points.0.x`, and what is wrong there. */
export interface Fault {
  readonly path: string;
  readonly message: string;
}

type ReadResult =
  { readonly ok: true; readonly piece: Piece } | { readonly ok: false; readonly faults: Fault[] };

/** The faults that Zod found, flattened to places people can find; at most twenty. */
export function faultsOf(error: z.ZodError): Fault[] {
  type Issue = z.core.$ZodIssue;
  const flat = (issue: Issue, before: readonly PropertyKey[]): Fault[] => {
    const place = [...before, ...issue.path];
    if (issue.code === 'invalid_union' && issue.errors.length > 0) {
      // Of the forms a value may take, report the one it came nearest to.
      const nearest = [...issue.errors].sort((a, b) => depth(b) - depth(a))[0]!;
      return nearest.flatMap((inner) => flat(inner, place));
    }
    return [{ path: place.map(String).join('.'), message: issue.message }];
  };
  const depth = (issues: readonly Issue[]): number =>
    Math.max(0, ...issues.map((issue) => issue.path.length));
  return error.issues.flatMap((issue) => flat(issue, [])).slice(0, 20);
}

/** Version 1 knew strokes alone, without underlays and guides. */
const fromFirst = (data: object): object => ({ ...data, schemaVersion: 2, underlays: [], guides: [] });

/**
 * Reads a document of any known version from untrusted data.
 * @returns the piece in today's form, or every fault with its place; the data itself is never changed.
 */
export function readPiece(data: unknown): ReadResult {
  const version = (data as { schemaVersion?: unknown } | null)?.schemaVersion;
  if (typeof version === 'number' && version > SCHEMA_VERSION) {
    return {
      ok: false,
      faults: [
        {
          path: 'schemaVersion',
          message: `is ${version}; this Obelus reads up to ${SCHEMA_VERSION}. Open it with a newer one.`,
        },
      ],
    };
  }
  const result = pieceSchema.safeParse(version === 1 ? fromFirst(data as object) : data);
  return result.success ? { ok: true, piece: result.data } : { ok: false, faults: faultsOf(result.error) };
}
