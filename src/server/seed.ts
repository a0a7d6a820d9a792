import { randomUUID } from 'node:crypto';
import { addUnderlay, fittedUnderlay, type Piece } from '@/core/document';
import { models } from './database';
import { checked, insertPiece } from './documents';
import { withBytes } from './http';
import { storePicture } from './pictures';

export interface SampleProject {
  readonly name: string;
  readonly pieces: readonly Piece[];
  /** Pictures that lie under pieces, by the pieces' names; they fill them as far as they fit. */
  readonly underlays?: readonly {
    readonly piece: string;
    readonly name: string;
    readonly svg: string;
    readonly opacity: number;
  }[];
}

/** The pieces with their underlays, whose pictures are taken in like any others. */
async function withUnderlays({ pieces, underlays = [] }: SampleProject): Promise<Piece[]> {
  return Promise.all(
    pieces.map(async (piece) => {
      let result = piece;
      for (const { name, svg, opacity } of underlays.filter((underlay) => underlay.piece === piece.name)) {
        const { hash, width, height } = await withBytes(Buffer.from(svg), storePicture);
        result = addUnderlay(result, {
          id: `underlay-${result.underlays.length + 1}`,
          name,
          hidden: false,
          locked: true,
          asset: hash,
          width,
          height,
          ...fittedUnderlay(piece.size, { width, height }),
          opacity,
        });
      }
      return result;
    }),
  );
}

/** Puts a sample project into a database that never held a project; deleted ones count. All of it or nothing. */
export async function seed(sample: SampleProject): Promise<boolean> {
  const { database, projects } = models();
  if ((await projects.count({ paranoid: false })) > 0) return false;
  const pieces = await withUnderlays(sample);
  const documents = await Promise.all(pieces.map((piece) => checked(JSON.stringify(piece))));
  return database.transaction(async (transaction) => {
    if ((await projects.count({ paranoid: false, transaction })) > 0) return false;
    const projectId = randomUUID();
    await projects.create({ id: projectId, name: sample.name }, { transaction });
    for (const document of documents)
      await insertPiece({ id: randomUUID(), projectId, document, session: 'sample' }, transaction);
    return true;
  });
}
