// `npm test`: one telling case of everything that is checked, on a throw-away database, from a fresh clone. `npm run test:long` tries
// the many cases of each property, others each day.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { needBuild } from './lib/build.mjs';
import { freePort, openThrowAwayDatabase } from './lib/database.mjs';
import { needDebianPackages, needNpmPackages } from './lib/packages.mjs';
import { parts } from './lib/parts.mjs';
import { bin, plain, ROOT, runAlong, runBeside, runShown, TYPES } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';
import { serve } from './lib/serve.mjs';

const isLong = process.argv.includes('--long');
if (isLong) process.env.RUN = 'long';
const counts = { passed: 0, failed: 0 };

/** @typedef {{ title: string; seconds: number; status?: string }} TestTime */

/**
 * What is found without running anything; each is checked by itself, two at a time.
 * @type {[name: string, program: string, args: string[]][]}
 */
const CHECKS = [
  ['formatting', bin('prettier'), ['--check', '--log-level=warn', '.']],
  ['types', ...TYPES],
  ['lint', bin('oxlint'), []],
  ['arrows between folders', bin('depcruise'), ['src', 'scripts', '--config', '.dependency-cruiser.cjs']],
];

async function checks() {
  const waiting = [...CHECKS];
  const next = async () => {
    for (let check = waiting.shift(); check; check = waiting.shift()) {
      const [name, program, args] = check;
      const good = await runBeside(program, args);
      counts[good ? 'passed' : 'failed']++;
      if (!good) say(`${name}: FAILED`);
    }
  };
  await Promise.all([next(), next()]);
}

/**
 * The slowest of some tests, each with its seconds.
 * @param {readonly TestTime[]} tests
 * @param {number} count
 */
const slowest = (tests, count) =>
  [...tests]
    .sort((a, b) => b.seconds - a.seconds)
    .slice(0, count)
    .map(({ seconds, title }) => `    ${seconds.toFixed(1)} s  ${title}`)
    .join('\n');

/** @param {import('@jest/test-result').FormattedTestResults} report */
function countJest({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites, testResults }) {
  counts.passed += numPassedTests;
  counts.failed += numFailedTests + numRuntimeErrorTestSuites;
  say(`unit and server tests: ${numPassedTests} passed, ${numFailedTests} failed`);
  const tests = testResults.flatMap(({ assertionResults }) =>
    assertionResults.map(({ title, duration }) => ({ title, seconds: (duration ?? 0) / 1000 })),
  );
  say(`the slowest of them:\n${slowest(tests, 20)}`);
}

/**
 * Every test of a report of Playwright's, with how it ended and how long it took.
 * @param {import('@playwright/test/reporter').JSONReportSuite[]} suites
 * @returns {TestTime[]}
 */
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

/**
 * @param {NodeJS.ProcessEnv} env
 * @param {string} report
 */
async function playwright(env, report) {
  // It needs packages, which are not there yet when this script is read.
  const { bundlePageTests } = await import('./lib/test-bundles.mjs');
  await runAlong(bin('playwright'), ['test', '-c', join(ROOT, 'e2e/playwright.config.ts')], {
    env: { ...env, REPORT: report, PAGE_TESTS: await bundlePageTests() },
  });
  const { stats, errors, suites } = JSON.parse(readFileSync(report, 'utf8'));
  const passed = stats.expected + stats.flaky;
  const failed = stats.unexpected + (passed === 0 ? Math.max(1, errors.length) : 0);
  counts.passed += passed;
  counts.failed += failed;
  say(`tests in the browser: ${passed} passed, ${failed} failed`);
  const all = testsIn(suites);
  for (const { title } of all.filter(({ status }) => status === 'flaky'))
    say(`passed only when it was tried again, which is a fault to be found: ${title}`);
  const half = all.map(({ seconds }) => seconds).sort((a, b) => a - b)[all.length >> 1];
  say(`half of them take less than ${half?.toFixed(1)} s; the slowest:\n${slowest(all, 20)}`);
}

await main(async () => {
  const { part, report } = parts();
  await part('packages', 90, () => {
    needDebianPackages(['postgresql', 'ffmpeg', 'chromium-headless-shell', 'poppler-utils']);
    needNpmPackages();
  });
  const folder = mkdtempSync(join(tmpdir(), 'obelus-test-'));
  const closing = [];
  try {
    await part('build', 90, needBuild);
    if (!isLong) await part('types, formatting, lint, arrows', 110, checks);
    const database = await openThrowAwayDatabase();
    closing.push(database.stop);
    const env = { ...process.env, OBELUS_DATA: join(folder, 'data') };
    // It needs packages, which are not there yet when this script is read.
    const { runJest } = await import('./lib/jest-run.mjs');
    await part('unit and server tests', 560, async () =>
      countJest(await runJest(folder, { ...env, DATABASE_URL: database.url })),
    );
    await part('tests in the browser', 950, async () => {
      const seen = { ...env, DATABASE_URL: database.another('seen') };
      runShown(process.execPath, plain('scripts/prepare.ts'), { env: seen });
      const served = serve({ port: await freePort(), env: seen });
      try {
        await served.ready;
        await playwright({ ...seen, BASE_URL: served.address }, join(folder, 'playwright.json'));
      } finally {
        await served.stop();
      }
    });
  } finally {
    for (const close of closing.reverse()) await close();
    rmSync(folder, { recursive: true, force: true });
  }
  const over = report();
  for (const name of isLong ? [] : over) {
    counts.failed++;
    say(`${name} took more than twice its budget of processor time: something of it became slow`);
  }
  console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
  if (counts.failed > 0) process.exit(1);
});
