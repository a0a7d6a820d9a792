// `npm run backup -- FILE`: everything that Obelus holds, in one file. It may run while Obelus does.
import { join, resolve } from 'node:path';
import { writeBackup } from './lib/archive.mjs';
import { withDatabase } from './lib/database.mjs';
import { needDebianPackages } from './lib/packages.mjs';
import { ROOT } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';

await main(async () => {
  needDebianPackages(['postgresql']);
  const stamp = new Date().toISOString().slice(0, 16).replace(/[:T]/g, '-');
  const file = resolve(process.argv[2] ?? `obelus-${stamp}.tar`);
  await withDatabase(async (url) => {
    const sum = await writeBackup(url, process.env.OBELUS_DATA ?? join(ROOT, '.data'), file);
    say(`wrote ${file}`);
    say(`SHA-256 ${sum}`);
  });
});
