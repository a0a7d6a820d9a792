import { build, stop } from 'esbuild';
import { mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { output, ROOT } from './run.mjs';

/** What a test says that needs a module, a global or an environment to itself. */
const BY_ITSELF = /\bjest\.|globalThis|process\.env|__dirname|import\.meta|await import\(/;

/** Tests that make one script at most: more would be one long row on one core. */
const MOST = 7;

/**
 * The tests of the core that only compute, by its folders, large ones in several parts.
 * @param {readonly string[]} tests
 */
function bundled(tests) {
  /** @type {Map<string, string[]>} */
  const groups = new Map();
  for (const test of tests) {
    const group = /^src\/core\/([^/]+)\//.exec(test)?.[1];
    if (!group || BY_ITSELF.test(readFileSync(join(ROOT, test), 'utf8'))) continue;
    groups.set(group, [...(groups.get(group) ?? []), test]);
  }
  return new Map(
    [...groups].flatMap(([group, files]) => {
      const parts = Math.ceil(files.length / MOST);
      return Array.from({ length: parts }, (_, part) => [
        parts > 1 ? `${group}-${part + 1}` : group,
        files.filter((_file, i) => i % parts === part),
      ]);
    }),
  );
}

/**
 * Makes one script of each group of tests that only compute. Run file by file, each of them has all it imports made anew, which takes
 * small tests most of their time.
 * @returns the folder of the scripts, their names, and the tests that are not in any of them.
 */
export async function bundleTests() {
  const tests = output('git', ['ls-files', '-co', '--exclude-standard', '*.test.ts'], { cwd: ROOT })
    .trim()
    .split('\n');
  const groups = bundled(tests);
  const folder = join(ROOT, 'node_modules/.cache/obelus/tests');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  for (const [name, files] of groups)
    await build({
      absWorkingDir: ROOT,
      stdin: {
        contents: files
          .map((file) => `describe(${JSON.stringify(file)}, () => void require('./${file}'));`)
          .join('\n'),
        resolveDir: ROOT,
        sourcefile: `${name}.js`,
      },
      outfile: join(folder, `${name}.test.cjs`),
      bundle: true,
      platform: 'node',
      format: 'cjs',
      target: 'node20',
      sourcemap: 'linked',
      // These load native code, or files beside themselves.
      external: [
        '@napi-rs/canvas',
        'canvaskit-wasm',
        'canvaskit-wasm/bin/canvaskit.js',
        'css-tree',
        'fast-check',
        'harfbuzzjs',
        'sharp',
      ],
    });
  await stop();
  const within = new Set([...groups.values()].flat());
  return { folder, scripts: [...groups.keys()], rest: tests.filter((test) => !within.has(test)) };
}

/**
 * Makes plain scripts of the page tests, which share all that they import: Playwright reads and rewrites it file by file else, in each
 * of its processes.
 * @returns the folder of the scripts.
 */
export async function bundlePageTests() {
  const folder = join(ROOT, 'node_modules/.cache/obelus/e2e');
  rmSync(folder, { recursive: true, force: true });
  await build({
    absWorkingDir: ROOT,
    entryPoints: readdirSync(join(ROOT, 'e2e'))
      .filter((file) => file.endsWith('.spec.ts'))
      .map((file) => `e2e/${file}`),
    outdir: folder,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'linked',
    define: { 'import.meta.dirname': JSON.stringify(join(ROOT, 'e2e')) },
  });
  await stop();
  return folder;
}
