// `npm run test:mutants`: puts small faults into the sources, one at a time, at places chosen by chance, and sees whether the nearest
// tests find them. It works in a copy of the checkout. Ctrl-C ends it with what was found so far. The figures and what was not found
// are kept in docs/testing.md.
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seeded } from '@/core/effects';
import { openThrowAwayDatabase } from './lib/database.mjs';
import { importersOf, nearestTests } from './lib/imports';
import { mutated, mutationsIn, type Mutation } from './lib/mutations';
import { bin, output, ROOT, TYPES } from './lib/run.mjs';
import { writeFigures } from './lib/written.mjs';

/** Where faults are put, how many of ten are put there, and how many of a hundred are to be found. */
const AREAS = [
  { name: 'core', of: /^src\/core\/(?!testing\/)/, share: 5, aim: 85 },
  { name: 'server', of: /^src\/(server|app\/api)\//, share: 2, aim: 75 },
  {
    name: 'editor state',
    of: /^src\/editor\/(state|saving|clipboard|playback|importing|jobs)\//,
    share: 3,
    aim: 75,
  },
];
/** So many tests that are nearest to a fault are asked; where they find nothing, the types and so many more are. */
const NEAREST = 6;
const FURTHER = 12;
/** Tests that take this long with a fault in them go round for ever, s. */
const LONGEST = 300;

const [count = 60, seed = Math.floor(Date.now() / 86_400_000)] = process.argv.slice(2).map(Number);
const random = seeded(seed);
const chosen = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;

const files = output('git', ['ls-files', '-co', '--exclude-standard'], { cwd: ROOT }).trim().split('\n');
const sources = files.filter((file) => /\.tsx?$/.test(file) && /^(src|demo|scripts)\//.test(file));
const importers = importersOf(ROOT, sources);

interface Fault {
  readonly area: string;
  readonly file: string;
  readonly mutation: Mutation;
}
function chooseFaults(): Fault[] {
  const faults = AREAS.flatMap(({ name, of, share }) => {
    const places = sources
      .filter((file) => of.test(file) && !/\.test\.ts$|\/testing\.ts$/.test(file))
      .flatMap((file) =>
        mutationsIn(file, readFileSync(join(ROOT, file), 'utf8')).map((mutation) => ({
          area: name,
          file,
          mutation,
        })),
      );
    const most = Math.round((count * share) / 10);
    return Array.from({ length: most }, (_, i) => ({ ...chosen(places), at: i / most }));
  });
  // Of all areas by turns, for a run that is ended early.
  return faults.sort((a, b) => a.at - b.at);
}

const database = await openThrowAwayDatabase();
const copy = mkdtempSync(join(tmpdir(), 'obelus-mutants-'));

/** Whether a program succeeds in the copy as it is. */
const succeeds = (program: string, args: readonly string[], longest: number): Promise<boolean> =>
  new Promise((done) => {
    const child = spawn(program, args, {
      cwd: copy,
      detached: true,
      stdio: 'ignore',
      env: {
        ...process.env,
        DATABASE_URL: database.url,
        OBELUS_DATA: join(copy, '.data'),
        NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
      },
    });
    const timer = setTimeout(() => process.kill(-child.pid!, 'SIGKILL'), longest * 1000);
    child.once('exit', (code) => {
      clearTimeout(timer);
      done(code === 0);
    });
  });

/** Whether tests pass in the copy as it is. */
const pass = (tests: readonly string[], longest = LONGEST): Promise<boolean> =>
  tests.length === 0
    ? Promise.resolve(true)
    : succeeds(bin('jest'), ['--bail', '--ci', '--silent', ...tests], longest);

try {
  for (const file of files) cpSync(join(ROOT, file), join(copy, file), { recursive: true });
  symlinkSync(join(ROOT, 'node_modules'), join(copy, 'node_modules'));
  const faults = chooseFaults();
  const tested = faults.map((fault) => {
    const tests = nearestTests(fault.file, importers, NEAREST + FURTHER);
    return { ...fault, near: tests.slice(0, NEAREST), further: tests.slice(NEAREST) };
  });
  const all = [...new Set(tested.flatMap(({ near }) => near))];
  console.log(`${faults.length} faults, from the seed ${seed}; first ${all.length} tests without any`);
  if (!(await pass(all, 4 * LONGEST))) throw new Error('Tests fail without any fault: mend these first.');

  const survived: Fault[] = [];
  const tried: Fault[] = [];
  let isEnding = false;
  process.once('SIGINT', () => (isEnding = true));
  for (const { near, further, ...fault } of tested) {
    if (isEnding) break;
    const path = join(copy, fault.file);
    const source = readFileSync(path, 'utf8');
    writeFileSync(path, mutated(source, fault.mutation));
    let isFound = !(await pass(near)) || !(await succeeds(...TYPES, LONGEST));
    const isFoundFurther = !isFound && !(await pass(further));
    writeFileSync(path, source);
    // They are tried without the fault only now, as few faults come so far.
    isFound ||= isFoundFurther && (await pass(further));
    tried.push(fault);
    if (!isFound) survived.push(fault);
    console.log(`${isFound ? 'found    ' : 'NOT FOUND'} ${fault.mutation.what}`);
  }

  const rows = AREAS.map(({ name, aim }) => {
    const put = tried.filter(({ area }) => area === name).length;
    const found = put - survived.filter(({ area }) => area === name).length;
    return `| ${name} | ${put} | ${found} | ${Math.round((100 * found) / Math.max(1, put))} % | ${aim} % |`;
  });
  const table = [
    '| where | put in | found | of a hundred | aim |',
    '| --- | --- | --- | --- | --- |',
    ...rows,
  ];
  const list = survived.map(({ mutation }) => `- \`${mutation.what.replaceAll('`', '´')}\``);
  console.log(table.join('\n'));
  await writeFigures(
    join(ROOT, 'docs/testing.md'),
    [...table, '', 'Not found:', '', ...(list.length > 0 ? list : ['- none'])].join('\n'),
    `, ${tried.length} faults from the seed ${seed}`,
  );
} finally {
  database.stop();
  rmSync(copy, { recursive: true, force: true });
}
