// A long export made in parts by one worker and by two, each on a core of its own.
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { Piece } from '../../src/core/document';
import { closeConnection, migrate } from '../../src/server/database';
import { closeQueue, getExport, requestExport } from '../../src/server/exports';
import { freshPiece } from '../../src/server/testing';
import { inOrder, title } from './pieces';
import { ms, report, times } from './table';

const FRAMES = 1500;
const piece: Piece = { ...inOrder({ ...title(30), length: FRAMES }), name: 'Long title' };
const folder = mkdtempSync(join(tmpdir(), 'obelus-bench-parts-'));
process.env.OBELUS_DATA = folder;

/** A worker that may use one core only; resolves when it is ready. */
async function workerOn(core: number): Promise<ChildProcess> {
  const root = resolve(import.meta.dirname, '../..');
  const args = [
    '-c',
    String(core),
    process.execPath,
    join(root, 'scripts/plain.mjs'),
    'src/server/worker-main.ts',
  ];
  const child = spawn('taskset', args, {
    env: { ...process.env, OBELUS_LEASH: '1' },
    stdio: ['pipe', 'pipe', 'inherit'],
    detached: true,
  });
  await new Promise<void>((ready) => child.stdout.once('data', () => ready()));
  return child;
}

/** How long the export takes with workers on some cores, ms. */
async function exportedBy(cores: readonly number[]): Promise<number> {
  const workers = await Promise.all(cores.map(workerOn));
  try {
    const { id } = await freshPiece(piece);
    const began = performance.now();
    const asked = await requestExport(id, { format: 'webm', scale: 1, first: 0, last: FRAMES - 1 });
    for (;;) {
      const { status, message } = await getExport(asked.id);
      if (status === 'done') return performance.now() - began;
      if (status === 'failed') throw new Error(message ?? 'failed');
      await new Promise((r) => setTimeout(r, 50));
    }
  } finally {
    for (const { pid } of workers) process.kill(-pid!, 'SIGKILL');
  }
}

async function main(): Promise<void> {
  // Tables are there before a worker looks for them.
  await migrate();
  const one = await exportedBy([0]);
  const two = await exportedBy([0, 1]);
  report([
    {
      what: `Export of a 1080p title of ${FRAMES} frames to WebM, two workers on a core each`,
      ours: ms(two),
      other: `one worker on one core ${ms(one)}`,
      ratio: times(one / two),
      note: 'times as fast; aim ≥ 1.8. In parts that are joined without being encoded again',
    },
  ]);
  await closeQueue();
  await closeConnection();
  rmSync(folder, { recursive: true, force: true });
}
void main();
