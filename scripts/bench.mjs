// `npm run bench`: ratios in one run, printed as a table and kept in docs/benchmarks.md.
import { spawnSync } from 'node:child_process';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { needBuild } from './lib/build.mjs';
import { openThrowAwayDatabase } from './lib/database.mjs';
import { needDebianPackages, needNpmPackages } from './lib/packages.mjs';
import { plainScript } from './lib/plain-script.mjs';
import { ROOT } from './lib/run.mjs';
import { withSampleServer } from './lib/sample-server.mjs';
import { main, say, Stop } from './lib/say.mjs';
import { writeFigures } from './lib/written.mjs';

/**
 * @param {string} name
 * @param {NodeJS.ProcessEnv} env
 */
async function measure(name, env) {
  say(`measuring: ${name}`);
  // As the worker runs.
  const result = spawnSync(process.execPath, [await plainScript(`scripts/bench/${name}.ts`)], {
    cwd: ROOT,
    env,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'inherit'],
    maxBuffer: 1 << 26,
  });
  const line = result.stdout.split('\n').find((text) => text.startsWith('ROWS '));
  if (result.status !== 0 || !line)
    throw new Stop(`The measurement "${name}" failed; what it said stands above.`);
  return JSON.parse(line.slice(5));
}

await main(async () => {
  needDebianPackages(['postgresql', 'ffmpeg', 'chromium-headless-shell']);
  needNpmPackages();
  needBuild();
  const rows = [];
  for (const name of ['lengths', 'paint', 'ink', 'effects', 'worker', 'export'])
    rows.push(...(await measure(name, process.env)));
  const database = await openThrowAwayDatabase();
  rows.push(...(await measure('parts', { ...process.env, DATABASE_URL: database.url })));
  await database.stop();
  for (const name of ['lottie', 'browser', 'score']) {
    rows.push(...(await withSampleServer((env) => measure(name, env))));
  }
  console.table(
    Object.fromEntries(rows.map(({ what, ours, other, ratio }) => [what, { ours, other, ratio }])),
  );
  const file = join(ROOT, 'docs/benchmarks.md');
  const machine = `${cpus().length} × ${cpus()[0]?.model}, Node ${process.versions.node}`;
  const table = [
    '| what | Obelus | against | ratio | |',
    '| --- | --- | --- | --- | --- |',
    ...rows.map((r) => `| ${r.what} | ${r.ours} | ${r.other} | ${r.ratio} | ${r.note} |`),
  ];
  await writeFigures(file, table.join('\n'), ` on ${machine}`);
});
