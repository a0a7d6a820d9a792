import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import settings from '../../jest.config.mjs';
import { bin, ROOT, runShown } from './run.mjs';
import { bundleTests } from './test-bundles.mjs';

/** Settings with the root of the checkout written out. */
const rooted = (value) => JSON.parse(JSON.stringify(value).replaceAll('<rootDir>', ROOT));

/**
 * Runs the unit and server tests: those of the core made into one script for each of its folders, all others file by file.
 * @param folder where its settings and its report are put.
 * @returns what Jest reports.
 */
export async function runJest(folder, env) {
  const { folder: bundles, rest } = await bundleTests();
  const { testTimeout, maxWorkers, roots, ...common } = rooted(settings);
  const config = join(folder, 'jest.config.json');
  const report = join(folder, 'jest.json');
  const projects = [
    { roots: [bundles], testMatch: ['**/*.test.cjs'], testPathIgnorePatterns: [] },
    { roots, testMatch: rest.map((file) => join(ROOT, file)) },
  ];
  writeFileSync(
    config,
    JSON.stringify({
      ...{ rootDir: ROOT, testTimeout, maxWorkers },
      projects: projects.map((project) => ({ ...common, rootDir: ROOT, ...project })),
    }),
  );
  // HarfBuzz is an ES module; without this switch Node has none of them inside Jest.
  const modules = {
    NODE_OPTIONS: `${env.NODE_OPTIONS ?? ''} --experimental-vm-modules --no-warnings`.trim(),
  };
  const args = ['--config', config, '--json', `--outputFile=${report}`, '--silent=false'];
  runShown(bin('jest'), args, { env: { ...env, ...modules } });
  return JSON.parse(readFileSync(report, 'utf8'));
}
