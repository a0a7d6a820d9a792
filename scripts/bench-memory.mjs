// `npm run bench:memory`: memory of ten minutes of playing, against a server and a database of its own.
import { join } from 'node:path';
import { needBuild } from './lib/build.mjs';
import { freePort, openThrowAwayDatabase } from './lib/database.mjs';
import { needDebianPackages, needNpmPackages } from './lib/packages.mjs';
import { bin, ROOT, runShown } from './lib/run.mjs';
import { main } from './lib/say.mjs';
import { serve } from './lib/serve.mjs';

await main(async () => {
  needDebianPackages(['postgresql', 'chromium']);
  needNpmPackages();
  needBuild();
  const database = await openThrowAwayDatabase();
  const env = { ...process.env, DATABASE_URL: database.url };
  let served;
  try {
    runShown(bin('tsx'), [join(ROOT, 'scripts/prepare.ts')], { env });
    served = serve({ port: await freePort(), env });
    await served.ready;
    runShown(bin('tsx'), [join(ROOT, 'scripts/bench/memory.ts')], {
      env: { ...env, BASE_URL: served.address },
    });
  } finally {
    await served?.stop();
    database.stop();
  }
});
