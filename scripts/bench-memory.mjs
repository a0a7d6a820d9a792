// `npm run bench:memory`: memory of ten minutes of playing, against a server and a database of its own.
import { join } from 'node:path';
import { needBuild } from './lib/build.mjs';
import { needDebianPackages, needNpmPackages } from './lib/packages.mjs';
import { bin, ROOT, runShown } from './lib/run.mjs';
import { withSampleServer } from './lib/sample-server.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  needDebianPackages(['postgresql', 'chromium-headless-shell']);
  needNpmPackages();
  needBuild();
  await withSampleServer((env) => runShown(bin('tsx'), [join(ROOT, 'scripts/bench/memory.ts')], { env }));
});
