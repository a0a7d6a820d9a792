// Many readers of the project list, pieces and their thumbnails at once, and uploads: how long answers take, whether the
// health of the server is answered all the while, and how much memory it holds afterwards. Bounded in count and time, on
// loopback alone: it takes the address of a running Obelus.
import { execFile, execFileSync } from 'node:child_process';
import { Agent, request } from 'node:http';
import { promisify } from 'node:util';

const address = process.argv[2] ?? 'http://127.0.0.1:4610';
const READERS = Number(process.argv[3] ?? 200);
const SECONDS = Number(process.argv[4] ?? 20);
const UPLOADS = Number(process.argv[5] ?? 2000);

const agent = new Agent({ keepAlive: true, maxSockets: READERS + 10 });

/** One request; resolves to its status and how long it took, ms. */
function ask(
  path: string,
  options: { method?: string; body?: Buffer | string; type?: string } = {},
): Promise<{ status: number; ms: number; body: string }> {
  const began = performance.now();
  return new Promise((resolve) => {
    const headers =
      options.body !== undefined ? { 'Content-Type': options.type ?? 'application/octet-stream' } : {};
    const sent = request(
      `${address}${path}`,
      { agent, method: options.method ?? 'GET', headers },
      (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () =>
          resolve({
            status: response.statusCode ?? 0,
            ms: performance.now() - began,
            body: Buffer.concat(chunks).toString('utf8', 0, 2_000_000),
          }),
        );
      },
    );
    sent.on('error', () => resolve({ status: 0, ms: performance.now() - began, body: '' }));
    sent.end(options.body);
  });
}

const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;

/** Resident memory of the web server and what it started, MB. */
function memory(): number {
  const list = execFileSync('ps', ['-eo', 'rss,args'], { encoding: 'utf8' }).split('\n');
  return list
    .filter((line) => /web-main|heavy-main/.test(line))
    .reduce((sum, line) => sum + Number(line.trim().split(/\s+/)[0]) / 1024, 0);
}

const { projects } = JSON.parse((await ask('/api/projects')).body) as {
  projects: { id: string; pieces: { id: string; revision: number }[] }[];
};
const pieces = projects.flatMap((project) => project.pieces);
const paths = [
  '/api/projects',
  ...pieces.flatMap(({ id, revision }) => [
    `/api/pieces/${id}`,
    `/api/pieces/${id}/thumbnail?revision=${revision}`,
  ]),
];

const times: number[] = [];
let failed = 0;
const health: number[] = [];
const end = Date.now() + SECONDS * 1000;
// In a process of its own: what the readers' own process makes wait is no fault of the server's.
const probe = `const end = Date.now() + ${SECONDS * 1000}; const all = [];
while (Date.now() < end) {
  const began = performance.now();
  const ok = await fetch('${address}/api/health').then((r) => r.ok, () => false);
  all.push(ok ? performance.now() - began : 1e9);
  await new Promise((done) => setTimeout(done, 50));
}
console.log(JSON.stringify(all));`;
const prober = promisify(execFile)(process.execPath, ['--input-type=module', '-e', probe]).then(
  ({ stdout }) => health.push(...(JSON.parse(stdout) as number[])),
);
await Promise.all([
  prober,
  ...Array.from({ length: READERS }, async (_, reader) => {
    for (let i = reader; Date.now() < end; i++) {
      const { status, ms } = await ask(paths[i % paths.length]!);
      times.push(ms);
      if (status !== 200) failed++;
    }
  }),
]);
const sorted = times.sort((a, b) => a - b);
const healthy = health.sort((a, b) => a - b);
console.log(`\n${READERS} readers for ${SECONDS} s`);
console.table({
  answers: String(sorted.length),
  failed: String(failed),
  'p50 / p99 / longest, ms': [0.5, 0.99, 1].map((q) => at(sorted, q).toFixed(0)).join(' / '),
  'health p50 / p99 / longest, ms': [0.5, 0.99, 1].map((q) => at(healthy, q).toFixed(0)).join(' / '),
  'memory, MB': memory().toFixed(0),
});

if (UPLOADS > 0) {
  const began = Date.now();
  let taken = 0;
  let next = 0;
  await Promise.all(
    Array.from({ length: 8 }, async () => {
      for (let i = next++; i < UPLOADS; i = next++) {
        const body = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><circle cx="${i % 100}" cy="30" r="${1 + (i % 29)}" fill="#${(i * 7919).toString(16).padStart(6, '0').slice(-6)}"/></svg>`;
        if ((await ask('/api/pictures', { method: 'POST', body })).status === 200) taken++;
      }
    }),
  );
  const after = memory();
  await new Promise((done) => setTimeout(done, 60_000));
  console.log(`\n${UPLOADS} uploads, eight at a time`);
  console.table({
    taken: String(taken),
    seconds: ((Date.now() - began) / 1000 - 60).toFixed(0),
    'memory right after / a minute later, MB': `${after.toFixed(0)} / ${memory().toFixed(0)}`,
  });
}
process.exit(0);
