// A backup is one tar file: `database.dump` (pg_dump's own format), `assets/`, and `SHA256SUMS` over all of them, as the
// common tool of that name writes it: `sha256sum -c SHA256SUMS` checks it without Obelus.
import { createHash } from 'node:crypto';
import {
  createReadStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { postgresProgram } from './packages.mjs';
import { output } from './run.mjs';
import { Stop } from './say.mjs';

const SUMS = 'SHA256SUMS';
const DUMP = 'database.dump';

/** @param {string} file */
async function sumOf(file) {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/**
 * @param {string} folder
 * @param {string} [top]
 * @returns {string[]}
 */
function filesIn(folder, top = folder) {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesIn(path, top) : [relative(top, path)];
  });
}

/**
 * Writes a backup of a database and the files beside it. Resolves to its SHA-256.
 * @param {string} url
 * @param {string} dataFolder
 * @param {string} file
 */
export async function writeBackup(url, dataFolder, file) {
  mkdirSync(dirname(file), { recursive: true });
  const work = mkdtempSync(join(dirname(file), '.obelus-backup-'));
  try {
    // The database first: every file its rows name is there already, and files are never changed.
    output(postgresProgram('pg_dump'), [
      '--format=custom',
      '--no-owner',
      '--exclude-schema=pgboss',
      `--file=${join(work, DUMP)}`,
      url,
    ]);
    if (existsSync(join(dataFolder, 'assets')))
      output('cp', ['-a', '--reflink=auto', join(dataFolder, 'assets'), join(work, 'assets')]);
    const sums = [];
    for (const path of filesIn(work).sort()) sums.push(`${await sumOf(join(work, path))}  ${path}`);
    writeFileSync(join(work, SUMS), `${sums.join('\n')}\n`);
    const part = `${file}.part`;
    output('tar', ['-cf', part, '-C', work, '.']);
    renameSync(part, file);
    return await sumOf(file);
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

/**
 * Unpacks a backup beside its future place and checks every file; throws a Stop where anything is missing or changed.
 * @param {string} file
 * @param {string} beside
 */
export async function unpackBackup(file, beside) {
  if (!existsSync(file)) throw new Stop(`There is no file ${file}. Nothing was changed.`);
  mkdirSync(beside, { recursive: true });
  const work = mkdtempSync(join(beside, '.obelus-restore-'));
  /** @param {string} why */
  const damaged = (why) => new Stop(`${file} is no whole backup: ${why}. Nothing was changed.`);
  try {
    try {
      output('tar', ['-xf', file, '-C', work, '--no-same-owner']);
    } catch {
      throw damaged('it can’t be unpacked to its end');
    }
    if (!existsSync(join(work, SUMS))) throw damaged('the list of its hashes is missing');
    const known = new Map(
      readFileSync(join(work, SUMS), 'utf8')
        .split('\n')
        .filter(Boolean)
        .map((line) => [line.slice(66), line.slice(0, 64)]),
    );
    if (!known.has(DUMP)) throw damaged('the database is missing');
    for (const [path, sum] of known)
      if (!existsSync(join(work, path)) || (await sumOf(join(work, path))) !== sum)
        throw damaged(`${path} is missing or was changed`);
    const more = filesIn(work).find((path) => path !== SUMS && !known.has(path));
    if (more) throw damaged(`${more} does not belong to it`);
    return work;
  } catch (error) {
    rmSync(work, { recursive: true, force: true });
    throw error;
  }
}

/**
 * @param {string} url
 * @param {string} sql
 */
const query = (url, sql) =>
  output(postgresProgram('psql'), [url, '-v', 'ON_ERROR_STOP=1', '-Atqc', sql]).trim();

/**
 * How many projects a database holds, deleted ones among them; 0 where it has no tables yet.
 * @param {string} url
 */
export function projectsIn(url) {
  if (query(url, "SELECT to_regclass('public.projects') IS NOT NULL") !== 't') return 0;
  return Number(query(url, 'SELECT count(*) FROM projects'));
}

/**
 * Puts an unpacked backup in the place of what a database holds, and its files beside the others.
 * @param {string} work
 * @param {string} url
 * @param {string} dataFolder
 */
export function putBack(work, url, dataFolder) {
  query(url, 'DROP SCHEMA IF EXISTS pgboss CASCADE; DROP SCHEMA public CASCADE; CREATE SCHEMA public');
  output(postgresProgram('pg_restore'), [
    '--no-owner',
    '--exit-on-error',
    '--single-transaction',
    `--dbname=${url}`,
    join(work, DUMP),
  ]);
  if (existsSync(join(work, 'assets'))) {
    mkdirSync(dataFolder, { recursive: true });
    output('cp', ['-a', join(work, 'assets'), dataFolder]);
  }
}
