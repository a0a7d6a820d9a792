// `npm run restore -- FILE [--replace]`: puts a backup into an empty database, or in the place of what is there; that is
// backed up first. Obelus must not run meanwhile.
import { rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { projectsIn, putBack, unpackBackup, writeBackup } from './lib/archive.mjs';
import { withDatabase } from './lib/database.mjs';
import { needDebianPackages } from './lib/packages.mjs';
import { alive, ROOT } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';
import { readState } from './lib/state-file.mjs';

await main(async () => {
  const [name, ...options] = process.argv.slice(2);
  if (!name) throw new Stop('Say which file: npm run restore -- obelus-2026-01-31.tar');
  const replace = options.includes('--replace');
  needDebianPackages(['postgresql']);
  const note = readState(join(ROOT, '.data', 'running.json'));
  if (!process.env.DATABASE_URL && note && alive(note.pid))
    throw new Stop('Obelus is running. End it with Ctrl-C there, then restore. Nothing was changed.');
  const data = process.env.OBELUS_DATA ?? join(ROOT, '.data');
  const work = await unpackBackup(resolve(name), data);
  try {
    say('the backup is whole');
    await withDatabase(async (url) => {
      const there = projectsIn(url);
      if (there > 0 && !replace)
        throw new Stop(
          `The database holds ${there} projects already. Nothing was changed.\nTo put the backup in their place: npm run restore -- ${name} --replace`,
        );
      if (there > 0) {
        const kept = join(data, `before-restore-${Date.now()}.tar`);
        await writeBackup(url, data, kept);
        say(`what was there is kept in ${kept}`);
      }
      putBack(work, url, data);
      say(`restored ${projectsIn(url)} projects; start Obelus with npm start`);
    });
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
});
