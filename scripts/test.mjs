// `npm test`: everything that is checked, on a throw-away database, from a fresh clone.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { needBuild } from './lib/build.mjs';
import { freePort, openThrowAwayDatabase } from './lib/database.mjs';
import { needDebianPackages, needNpmPackages } from './lib/packages.mjs';
import { bin, plain, ROOT, runBeside, runShown } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';
import { serve } from './lib/serve.mjs';

const began = Date.now();
const since = () => `${Math.round((Date.now() - began) / 1000)} s`;
const counts = { passed: 0, failed: 0 };

/** Counts one check that has no tests of its own. */
async function check(name, command, args) {
  const good = await runBeside(command, args);
  counts[good ? 'passed' : 'failed']++;
  say(`${name}: ${good ? 'good' : 'FAILED'} (${since()})`);
}

function jest(env, report) {
  // HarfBuzz is an ES module; without this switch Node has none of them inside Jest.
  const modules = {
    NODE_OPTIONS: `${env.NODE_OPTIONS ?? ''} --experimental-vm-modules --no-warnings`.trim(),
  };
  runShown(bin('jest'), ['--json', `--outputFile=${report}`, '--silent=false'], {
    env: { ...env, ...modules },
  });
  const result = JSON.parse(readFileSync(report, 'utf8'));
  counts.passed += result.numPassedTests;
  counts.failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
  say(`unit and server tests: ${result.numPassedTests} passed, ${result.numFailedTests} failed (${since()})`);
}

function playwright(env, report) {
  runShown(bin('playwright'), ['test', '-c', join(ROOT, 'e2e/playwright.config.ts')], {
    env: { ...env, REPORT: report },
  });
  const { stats, errors, suites } = JSON.parse(readFileSync(report, 'utf8'));
  const passed = stats.expected + stats.flaky;
  const failed = stats.unexpected + (passed === 0 ? Math.max(1, errors.length) : 0);
  counts.passed += passed;
  counts.failed += failed;
  say(`tests in the browser: ${passed} passed, ${failed} failed (${since()})`);
  const all = testsIn(suites);
  for (const { title } of all.filter(({ status }) => status === 'flaky'))
    say(`passed only when it was tried again, which is a fault to be found: ${title}`);
  const slowest = all.sort((a, b) => b.seconds - a.seconds).slice(0, 10);
  say(
    `the slowest in the browser:\n${slowest.map((t) => `    ${t.seconds.toFixed(1)} s  ${t.title}`).join('\n')}`,
  );
}

/** Every test of a report of Playwright's, with how it ended and how long it took. */
const testsIn = (suites) =>
  suites.flatMap(({ specs = [], suites: inner = [] }) => [
    ...specs.flatMap(({ title, tests }) =>
      tests.map(({ status, results }) => ({
        title,
        status,
        seconds: Math.max(...results.map(({ duration }) => duration)) / 1000,
      })),
    ),
    ...testsIn(inner),
  ]);

await main(async () => {
  needDebianPackages(['postgresql', 'ffmpeg', 'chromium', 'poppler-utils']);
  needNpmPackages();
  const folder = mkdtempSync(join(tmpdir(), 'obelus-test-'));
  const closing = [];
  try {
    needBuild();
    await Promise.all([
      check('types', bin('tsc'), ['--noEmit']),
      check('lint', 'npm', ['run', '--silent', 'lint']),
    ]);
    say('making a throw-away database');
    const database = await openThrowAwayDatabase();
    closing.push(database.stop);
    const env = { ...process.env, OBELUS_DATA: join(folder, 'data') };
    jest({ ...env, DATABASE_URL: database.url }, join(folder, 'jest.json'));
    const seen = { ...env, DATABASE_URL: database.another('seen') };
    runShown(process.execPath, plain('scripts/prepare.ts'), { env: seen });
    const served = serve({ port: await freePort(), env: seen });
    closing.push(served.stop);
    await served.ready;
    playwright({ ...seen, BASE_URL: served.address }, join(folder, 'playwright.json'));
  } finally {
    for (const close of closing.reverse()) await close();
    rmSync(folder, { recursive: true, force: true });
  }
  console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
  if (counts.failed > 0) process.exit(1);
});
