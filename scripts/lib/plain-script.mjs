import { build, stop } from 'esbuild';
import { createHash, randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { ROOT } from './run.mjs';

/**
 * Makes a TypeScript program of the project and all it imports of it one plain script. Run file by file through tsx, each function is
 * given its name anew whenever it is made: evaluating heavy frames takes up to twice as long.
 * @param {string} entry below the project's root.
 * @returns the script. It lies where packages are found, and is named for what is in it: several may be made at once.
 */
export async function plainScript(entry) {
  const { outputFiles } = await build({
    absWorkingDir: ROOT,
    entryPoints: [entry],
    bundle: true,
    write: false,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    define: { 'import.meta.dirname': JSON.stringify(dirname(join(ROOT, entry))) },
  });
  await stop();
  const contents = /** @type {Uint8Array} */ (outputFiles[0]?.contents);
  const folder = join(ROOT, 'node_modules/.cache/obelus');
  const name = basename(entry, '.ts');
  const file = join(
    folder,
    `${name}.${createHash('sha256').update(contents).digest('hex').slice(0, 24)}.mjs`,
  );
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true });
    // What was made of an earlier source has been read by whoever runs it.
    for (const other of readdirSync(folder))
      if (other.startsWith(`${name}.`) && other.endsWith('.mjs') && other !== basename(file))
        rmSync(join(folder, other), { force: true });
    const unfinished = `${file}.${randomUUID()}`;
    writeFileSync(unfinished, contents);
    renameSync(unfinished, file);
  }
  return file;
}
