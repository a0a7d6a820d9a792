import { execFile } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join, relative, resolve } from 'node:path';
import { promisify } from 'node:util';

const ROOT = resolve(__dirname, '..');
const MADE = join(ROOT, 'node_modules/.cache/obelus');
const home = mkdtempSync(join(tmpdir(), 'obelus-plain-'));
const name = basename(home);
const made = (): string[] => readdirSync(MADE).filter((file) => file.startsWith(name));
afterAll(() => {
  for (const file of made()) rmSync(join(MADE, file));
  rmSync(home, { recursive: true, force: true });
});

/** Runs a program as one plain script, with arguments of its own; answers with what it printed. */
async function run(source: string, ...args: string[]): Promise<string> {
  const entry = join(home, `${name}.ts`);
  writeFileSync(join(home, 'beside.ts'), source);
  writeFileSync(entry, "import { told } from './beside';\nconsole.log(JSON.stringify(told()));\n");
  const launched = [join(ROOT, 'scripts/plain.mjs'), relative(ROOT, entry), ...args];
  return (await promisify(execFile)(process.execPath, launched)).stdout;
}

test('a program is one script of its source as it stands, however many are started at once, and functions are left as they are', async () => {
  const source = (word: string) => `export const told = (): unknown => {
    const inner = () => '${word}';
    return [inner(), process.argv.slice(2), import.meta.dirname];
  };`;
  const all = await Promise.all([1, 2, 3, 4].map(() => run(source('ebb'), 'one', 'two')));
  for (const said of all) expect(JSON.parse(said)).toEqual(['ebb', ['one', 'two'], home]);
  expect(made()).toHaveLength(1);
  expect(readFileSync(join(MADE, made()[0]!), 'utf8')).not.toContain('__name');

  expect(JSON.parse(await run(source('flood')))).toEqual(['flood', [], home]);
  expect(made()).toHaveLength(1);
});

test('what is no program is refused in words', async () => {
  await expect(run('export const told = (: unknown')).rejects.toThrow(/beside\.ts:1/);
});
