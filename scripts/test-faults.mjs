// `npm run test:faults`: two real windows are worked in and exports are made while processes are killed, a window is offline
// now and then and the disk fills. An instance of its own; bounded in count and time. Prints what was lost, and keeps it in
// docs/reliability.md.
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { needBuild } from './lib/build.mjs';
import { freePort, openDatabaseAt } from './lib/database.mjs';
import { needDebianPackages, needNpmPackages } from './lib/packages.mjs';
import { bin, isRoot, output, plain, ROOT, runShown, start } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';
import { serve } from './lib/serve.mjs';
import { writeFigures } from './lib/written.mjs';

const DISK_MB = 600;

/** A small disk for the files of the instance, where one may be made; else an ordinary folder, whose disk is never filled. */
function smallDisk() {
  const folder = mkdtempSync(join(tmpdir(), 'obelus-faults-'));
  const data = join(folder, 'data');
  mkdirSync(data);
  const small =
    isRoot && spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m`, 'tmpfs', data]).status === 0;
  return {
    data,
    small,
    free: () => {
      const { bavail, bsize } = statfsSync(data);
      return bavail * bsize;
    },
    remove: () => {
      if (small) spawnSync('umount', ['-l', data]);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/**
 * Kills one of the processes of the instance, as the system would.
 * @param {{ pid(): number }} database
 * @param {Record<string, number>} pids
 */
function killer(database, pids) {
  /** @param {string} what */
  return (what) => {
    try {
      if (what === 'ffmpeg') return spawnSync('pkill', ['-9', '-x', 'ffmpeg']).status === 0;
      if (what === 'heavy work') return spawnSync('pkill', ['-9', '-f', 'heavy/heavy-main.ts']).status === 0;
      if (what === 'PostgreSQL') process.kill(database.pid(), 'SIGKILL');
      else process.kill(-(pids[what] ?? NaN), 'SIGKILL');
      return true;
    } catch {
      return false;
    }
  };
}

await main(async () => {
  needDebianPackages(['postgresql', 'ffmpeg', 'chromium-headless-shell']);
  needNpmPackages();
  needBuild();
  const disk = smallDisk();
  if (!disk.small) say('no disk of its own may be made here: it is not filled');
  const home = output('mktemp', ['-d', '/tmp/obelus-faults-db-XXXXXX']).trim();
  const database = await openDatabaseAt(home);
  /** @type {Record<string, number>} */
  const pids = {};
  /** @type {ReturnType<typeof serve> | undefined} */
  let served;
  try {
    const env = { DATABASE_URL: database.url, OBELUS_DATA: disk.data };
    runShown(process.execPath, plain('scripts/prepare.ts'), { env: { ...process.env, ...env } });
    served = serve({ port: await freePort(), env, note: (name, pid) => (pids[name] = pid) });
    await served.ready;
    const kill = killer(database, pids);
    const child = start(bin('tsx'), [join(ROOT, 'scripts/faults.ts')], {
      env: { ...process.env, ...env, BASE_URL: served.address, DISK_SMALL: disk.small ? '1' : '' },
      stdio: ['inherit', 'pipe', 'inherit', 'ipc'],
    });
    child.on('message', (asked) =>
      child.send({ killed: kill(/** @type {{ kill: string }} */ (asked).kill) }),
    );
    let printed = '';
    child.stdout?.on('data', (chunk) => {
      printed += chunk;
      process.stdout.write(chunk);
    });
    const code = await new Promise((resolve) => child.once('exit', resolve));
    const line = printed.split('\n').find((text) => text.startsWith('FAULTS '));
    if (!line) throw new Stop('The trial did not come to its end; what it said stands above.');
    /** @type {[what: string, figure: string][]} */
    const rows = JSON.parse(line.slice(7));
    const file = join(ROOT, 'docs/reliability.md');
    const table = [
      '| what | figure |',
      '| --- | --- |',
      ...rows.map(([what, figure]) => `| ${what} | ${figure} |`),
    ];
    await writeFigures(file, table.join('\n'));
    if (code !== 0) throw new Stop('Something was lost, mixed, stuck or broken: see the table.');
  } finally {
    await served?.stop();
    database.stop();
    rmSync(home, { recursive: true, force: true });
    disk.remove();
  }
});
