import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { has, isRoot, ROOT, runShown } from './run.mjs';
import { say, Stop } from './say.mjs';

const POSTGRES = '/usr/lib/postgresql';

/** Folder of the newest PostgreSQL server's programs; Debian keeps them off the PATH. */
function postgresBin() {
  const versions = existsSync(POSTGRES) ? readdirSync(POSTGRES) : [];
  const found = versions
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => join(POSTGRES, version, 'bin'))
    .find((folder) => existsSync(join(folder, 'initdb')));
  return found ?? null;
}

/**
 * A program of PostgreSQL's.
 * @param {string} name
 */
export function postgresProgram(name) {
  const folder = postgresBin();
  if (!folder)
    throw new Stop('PostgreSQL is not installed: apt-get install postgresql. Nothing was changed.');
  return join(folder, name);
}

/** @satisfies {Record<string, () => boolean>} */
const PRESENT = {
  postgresql: () => postgresBin() !== null,
  ffmpeg: () => has('ffmpeg'),
  // The whole of Chromium does as well where it is there.
  'chromium-headless-shell': () => has('chromium-headless-shell') || has('chromium'),
  'poppler-utils': () => has('pdftoppm'),
};

/**
 * Installs the Debian packages that are missing where it may; else stops with the command to run.
 * @param {readonly (keyof typeof PRESENT)[]} names
 */
export function needDebianPackages(names) {
  const missing = names.filter((name) => !PRESENT[name]());
  if (missing.length === 0) return;
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  const sudo = !isRoot && has('sudo') && runShown('sudo', ['-n', 'true'], { stdio: 'ignore' });
  const may = has('apt-get') && (isRoot || sudo);
  if (may) {
    say(`installing ${missing.join(', ')} (Debian packages)`);
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    /** @param {string[]} args */
    const apt = (...args) =>
      sudo
        ? runShown('sudo', ['-n', 'apt-get', ...args], { env, stdio: ['ignore', 'ignore', 'inherit'] })
        : runShown('apt-get', args, { env, stdio: ['ignore', 'ignore', 'inherit'] });
    apt('update', '-qq');
    apt('install', '-y', '-qq', '--no-install-recommends', ...missing);
  }
  const still = names.filter((name) => !PRESENT[name]());
  if (still.length > 0) {
    throw new Stop(
      `Obelus needs ${still.join(' and ')}. Run this once, then start again:\n\n  sudo ${command}\n`,
    );
  }
}

/** Installs the npm packages of the lock file unless exactly they are there. */
export function needNpmPackages() {
  const mark = join(ROOT, 'node_modules', '.obelus-lock');
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('installing npm packages');
  // The versions of the lock file, as `npm ci` would; but that refuses one made where the registry lacked optional
  // packages for other systems, and this does not.
  if (!runShown('npm', ['install', '--no-save', '--no-fund', '--no-audit', '--loglevel=error'])) {
    throw new Stop(
      'npm could not install the packages; what it said stands above. Nothing else was changed.',
    );
  }
  writeFileSync(mark, lock);
}
