import { execFileSync, spawnSync } from 'node:child_process';
import {
  copyFileSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  truncateSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const ROOT = resolve(__dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'obelus-backup-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const base = new URL(process.env.DATABASE_URL!);
const urlOf = (name: string): string => Object.assign(new URL(base), { pathname: `/${name}` }).href;
const psql = (url: string, sql: string): string =>
  execFileSync('psql', [url, '-v', 'ON_ERROR_STOP=1', '-Atqc', sql], { encoding: 'utf8' }).trim();

/** A database of this test's own, with its folder. */
function instance(name: string) {
  const own = `${name}_${process.pid}`;
  psql(base.href, `CREATE DATABASE ${own}`);
  const env = { ...process.env, DATABASE_URL: urlOf(own), OBELUS_DATA: join(folder, own), NODE_OPTIONS: '' };
  const run = (...args: string[]) => spawnSync(args[0]!, args.slice(1), { cwd: ROOT, env, encoding: 'utf8' });
  return { url: urlOf(own), data: join(folder, own), run };
}

const documents = (url: string): string =>
  psql(
    url,
    'SELECT md5(string_agg(document::text, chr(10) ORDER BY piece_id, revision)) FROM piece_revisions',
  );

test('a backup is one checked file; restored into an empty database all of it is there, damaged it is refused', () => {
  const [from, to] = [instance('backup_from'), instance('backup_to')];
  // The sample world, with its pictures.
  expect(from.run('node', 'scripts/plain.mjs', 'scripts/prepare.ts').status).toBe(0);
  const file = join(folder, 'all.tar');
  const made = from.run('node', 'scripts/backup.mjs', file);
  expect(made.stdout).toMatch(/SHA-256 [0-9a-f]{64}/);

  // Cut short, or with one byte changed, nothing of it is taken.
  const cut = join(folder, 'cut.tar');
  copyFileSync(file, cut);
  truncateSync(cut, Math.floor(statSync(cut).size * 0.6));
  const bytes = readFileSync(file);
  const at = bytes.indexOf('PGDMP') + 2000;
  bytes[at] = bytes[at]! ^ 1;
  const changed = join(folder, 'changed.tar');
  writeFileSync(changed, bytes);
  for (const [bad, words] of [
    [cut, /no whole backup/],
    [changed, /database.dump is missing or was changed/],
    [join(folder, 'none.tar'), /There is no file/],
  ] as const) {
    const refused = to.run('node', 'scripts/restore.mjs', bad);
    expect([refused.status, words.test(refused.stderr)]).toEqual([1, true]);
  }
  expect(psql(to.url, "SELECT to_regclass('public.projects') IS NULL")).toBe('t');

  const restored = to.run('node', 'scripts/restore.mjs', file);
  expect(restored.stderr).not.toMatch(/rror/);
  expect(restored.status).toBe(0);
  expect(documents(to.url)).toBe(documents(from.url));
  const hashes = psql(to.url, 'SELECT hash FROM assets ORDER BY hash').split('\n');
  expect(hashes.length).toBeGreaterThan(0);
  for (const hash of hashes) {
    const stored = execFileSync('sha256sum', [join(to.data, 'assets', hash.slice(0, 2), hash)], {
      encoding: 'utf8',
    });
    expect(stored.slice(0, 64)).toBe(hash);
  }
  // Where there is work already it is not written over, unless that is asked for; then it is kept first.
  psql(to.url, "UPDATE projects SET name = 'Changed since'");
  expect(to.run('node', 'scripts/restore.mjs', file).stderr).toMatch(/holds 1 projects already/);
  expect(psql(to.url, 'SELECT name FROM projects')).toBe('Changed since');
  const replaced = to.run('node', 'scripts/restore.mjs', file, '--replace');
  expect(replaced.stdout).toMatch(/what was there is kept in/);
  expect(psql(to.url, 'SELECT name FROM projects')).toBe('Saltmarsh Almanac');
});
