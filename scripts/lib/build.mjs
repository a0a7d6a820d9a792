import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, ROOT, runShown } from './run.mjs';
import { say, Stop } from './say.mjs';

const SOURCES = ['src', 'package-lock.json', 'next.config.ts', 'tsconfig.json'];

function hashSources() {
  const hash = createHash('sha256');
  /** @param {string} path */
  const visit = (path) => {
    const entries = (() => {
      try {
        return readdirSync(join(ROOT, path), { withFileTypes: true });
      } catch {
        return null;
      }
    })();
    if (!entries) {
      hash.update(path).update(readFileSync(join(ROOT, path)));
      return;
    }
    for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
      if (!/\.test\.tsx?$/.test(entry.name)) visit(join(path, entry.name));
    }
  };
  SOURCES.forEach(visit);
  return hash.digest('hex');
}

/** Builds the web application unless this very source was built before. */
export function needBuild() {
  const mark = join(ROOT, '.next', 'obelus-built');
  const hash = hashSources();
  if (existsSync(mark) && readFileSync(mark, 'utf8') === hash) return;
  say('building the application');
  /** @type {NodeJS.ProcessEnv} */
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' };
  if (!runShown(bin('next'), ['build'], { env, stdio: ['ignore', 'ignore', 'inherit'] })) {
    throw new Stop('The build failed; what it said stands above. Your pieces are untouched.');
  }
  writeFileSync(mark, hash);
}
