import { randomUUID } from 'node:crypto';
import type { Piece } from '@/core/document';
import { models } from './database';
import { validDocument } from './pieces';

export interface SampleProject {
  readonly name: string;
  readonly pieces: readonly Piece[];
}

/** Puts a sample project into a database that never held a project; deleted ones count. All of it or nothing. */
export async function seed(sample: SampleProject): Promise<boolean> {
  const { database, projects, pieces, revisions } = models();
  return database.transaction(async (transaction) => {
    if ((await projects.count({ paranoid: false, transaction })) > 0) return false;
    const projectId = randomUUID();
    await projects.create({ id: projectId, name: sample.name }, { transaction });
    for (const data of sample.pieces) {
      const [pieceId, document] = [randomUUID(), validDocument(data)];
      await pieces.create({ id: pieceId, projectId, document, revision: 1 }, { transaction });
      await revisions.create({ pieceId, revision: 1, document, session: 'sample' }, { transaction });
    }
    return true;
  });
}
