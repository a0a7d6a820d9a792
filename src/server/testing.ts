import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { resolve } from 'node:path';
import { Sequelize } from 'sequelize';
import { addLayers, applyManner, newPiece, newStroke, type Piece } from '@/core/document';
import { corner, smooth } from '@/core/geometry';
import { migrate } from './database';
import { checked, type CheckedDocument } from './documents';
import { createPiece } from './pieces';
import { createProject } from './projects';

/** A small piece whose two strokes write on and off. */
export function smallPiece(name = 'Reed line', length = 12): Piece {
  const piece = addLayers(
    newPiece(name, { width: 320, height: 180 }, { numerator: 25, denominator: 1 }, length),
    [
      newStroke('a', 'Curve', {
        closed: false,
        points: [smooth(40, 120, { x: 40, y: -80 }), smooth(160, 90, { x: 40, y: 30 }), corner(280, 60)],
      }),
      newStroke(
        'b',
        'Bar',
        { closed: false, points: [corner(60, 150), corner(260, 150)] },
        {
          width: 10,
          colour: '#ff6b3d',
          opacity: 0.6,
          cap: 'flat',
          join: 'miter',
        },
      ),
    ],
  );
  const manner = {
    kind: 'both',
    from: 'start',
    onAt: 1,
    onFrames: 5,
    offAt: length - 5,
    offFrames: 3,
  } as const;
  return applyManner(piece, ['a', 'b'], manner);
}

/** Makes a database for one test file, in the cluster of the tests, before its first connection: it may empty it. */
export async function openOwnDatabase(): Promise<void> {
  const url = new URL(process.env.DATABASE_URL!);
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const cluster = new Sequelize(url.href, { logging: false });
  await cluster.query(`CREATE DATABASE ${name}`);
  await cluster.close();
  url.pathname = `/${name}`;
  process.env.DATABASE_URL = url.href;
}

/** A document as routes hand it on. */
export const checkedDocument = (document: Piece): Promise<CheckedDocument> =>
  checked(JSON.stringify(document));

/** A project of its own in the test database. */
export async function freshProject(): Promise<string> {
  await migrate();
  return (await createProject(`Test ${randomUUID().slice(0, 8)}`)).id;
}

export async function freshPiece(document: Piece = smallPiece()): Promise<{ id: string; project: string }> {
  const project = await freshProject();
  return { id: (await createPiece(project, await checkedDocument(document))).id, project };
}

/** Starts an export worker as `npm start` does, in a process of its own. */
export function startWorkerProcess(folder: string): ChildProcess {
  const root = resolve(__dirname, '../..');
  return spawn(process.execPath, [resolve(root, 'scripts/plain.mjs'), 'src/server/worker-main.ts'], {
    env: { ...process.env, OBELUS_DATA: folder, OBELUS_LEASH: '1' },
    stdio: ['pipe', 'ignore', 'inherit'],
    detached: true,
  });
}

/** Ends it and all that it started. */
export function killProcess(child: ChildProcess, signal: NodeJS.Signals = 'SIGKILL'): void {
  try {
    process.kill(-child.pid!, signal);
  } catch {
    // It has ended.
  }
}
