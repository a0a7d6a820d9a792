import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import settings from '../../jest.config.mjs';
import { bin, ROOT, runAlong } from './run.mjs';
import { Stop } from './say.mjs';
import { bundleTests } from './test-bundles.mjs';

/**
 * Settings with the root of the checkout written out.
 * @param {object} value
 */
const rooted = (value) => JSON.parse(JSON.stringify(value).replaceAll('<rootDir>', ROOT));

/**
 * Runs the unit and server tests: those of the core made into one script for each of its folders, all others file by file.
 * @param {string} folder where its settings and its report are put.
 * @returns what Jest reports.
 * @param {NodeJS.ProcessEnv} env
 */
export async function runJest(folder, env) {
  const { folder: bundles, scripts, rest } = await bundleTests();
  const { testTimeout, maxWorkers, roots, ...common } = rooted(settings);
  const config = join(folder, 'jest.config.json');
  const report = join(folder, 'jest.json');
  const projects = [
    {
      roots: [bundles],
      testMatch: ['**/*.test.cjs'],
      // They lie among packages, which Jest overlooks.
      testPathIgnorePatterns: [],
      haste: { retainAllFiles: true },
    },
    { roots, testMatch: rest.map((file) => join(ROOT, file)) },
  ];
  writeFileSync(
    config,
    JSON.stringify({
      rootDir: ROOT,
      testTimeout,
      maxWorkers,
      projects: projects.map((project) => ({ ...common, rootDir: ROOT, ...project })),
    }),
  );
  // HarfBuzz is an ES module; without this switch Node has none of them inside Jest.
  const modules = {
    NODE_OPTIONS: `${env.NODE_OPTIONS ?? ''} --experimental-vm-modules --no-warnings`.trim(),
  };
  const args = ['--config', config, '--json', `--outputFile=${report}`, '--silent=false'];
  await runAlong(bin('jest'), args, { env: { ...env, ...modules } });
  const result = JSON.parse(readFileSync(report, 'utf8'));
  const wanted = scripts.length + rest.length;
  if (result.numTotalTestSuites !== wanted)
    throw new Stop(
      `Jest ran ${result.numTotalTestSuites} files of tests of ${wanted}: some were overlooked.`,
    );
  return result;
}
