import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const ROOT = resolve(__dirname, '..');
const home = mkdtempSync(join(tmpdir(), 'obelus-own-db-'));
afterAll(() => rmSync(home, { recursive: true, force: true }));

/** Runs a script against a database that it opens in this test's own folder; answers with what it printed as JSON. */
function withDatabase<T>(body: string): T {
  const script = `
    import { execFileSync } from 'node:child_process';
    import { openDatabaseAt } from '${ROOT}/scripts/lib/database.mjs';
    const database = await openDatabaseAt('${home}');
    const ask = (sql) => execFileSync('psql', [database.url, '-Atqc', sql], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }).trim();
    const wait = (ms) => new Promise((done) => setTimeout(done, ms));
    try { console.log(JSON.stringify(await (async () => { ${body} })())); } finally { database.stop(); }
    process.exit(0);`;
  const printed = execFileSync(process.execPath, ['--input-type=module', '-e', script], {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'ignore'],
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return JSON.parse(printed.trim().split('\n').at(-1)!) as T;
}

test('the database comes back by itself on its port; a password that was lost is made anew, and the work is still there', () => {
  const back = withDatabase<{ before: number; after: number; there: string }>(`
    ask('CREATE TABLE kept (words text)');
    ask("INSERT INTO kept VALUES ('still there')");
    const before = database.port;
    process.kill(database.pid(), 'SIGKILL');
    for (;;) {
      try { return { before, after: database.port, there: ask('SELECT words FROM kept') }; } catch { await wait(100); }
    }`);
  expect(back).toEqual({ before: back.before, after: back.before, there: 'still there' });
  const access = join(home, 'access.json');
  const known = (JSON.parse(readFileSync(access, 'utf8')) as { password: string }).password;
  for (const broken of ['', '{"password": "', '[]', '{"password": 7, "port": "x"}']) {
    writeFileSync(access, broken);
    expect(withDatabase<string>("return ask('SELECT words FROM kept');")).toBe('still there');
    const made = (JSON.parse(readFileSync(access, 'utf8')) as { password: string }).password;
    expect(made).toMatch(/^[0-9a-f]{36}$/);
    expect(made).not.toBe(known);
  }
});
