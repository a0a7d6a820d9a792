// `npm run screenshots`: one picture of each main view, from the demo data, for the README.
import { join } from 'node:path';
import { needBuild } from './lib/build.mjs';
import { freePort, openThrowAwayDatabase } from './lib/database.mjs';
import { needDebianPackages, needNpmPackages } from './lib/packages.mjs';
import { bin, ROOT, runShown } from './lib/run.mjs';
import { main } from './lib/say.mjs';
import { serve } from './lib/serve.mjs';

await main(async () => {
  needDebianPackages(['postgresql', 'ffmpeg', 'chromium']);
  needNpmPackages();
  needBuild();
  const database = await openThrowAwayDatabase();
  const env = { ...process.env, DATABASE_URL: database.url };
  let served;
  try {
    runShown(bin('tsx'), [join(ROOT, 'scripts/prepare.ts')], { env });
    served = serve({ port: await freePort(), env });
    await served.ready;
    runShown(bin('tsx'), [join(ROOT, 'scripts/screenshots.ts')], {
      env: { ...env, BASE_URL: served.address },
    });
  } finally {
    await served?.stop();
    database.stop();
  }
});
