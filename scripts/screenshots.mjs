// `npm run screenshots`: one picture of each main view, from the demo data, for the README.
import { join } from 'node:path';
import { needBuild } from './lib/build.mjs';
import { needDebianPackages, needNpmPackages } from './lib/packages.mjs';
import { bin, ROOT, runShown } from './lib/run.mjs';
import { withSampleServer } from './lib/sample-server.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  needDebianPackages(['postgresql', 'ffmpeg', 'chromium-headless-shell']);
  needNpmPackages();
  needBuild();
  await withSampleServer((env) => runShown(bin('tsx'), [join(ROOT, 'scripts/screenshots.ts')], { env }));
});
