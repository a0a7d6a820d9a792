import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
export const bin = (name) => resolve(ROOT, 'node_modules/.bin', name);
/** What Node runs a TypeScript program of the project with, as one plain script. */
export const plain = (entry) => [resolve(ROOT, 'scripts/plain.mjs'), entry];
export const isRoot = process.getuid?.() === 0;

/** Runs a program to its end with its output shown; answers whether it succeeded. */
export function runShown(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  return result.status === 0;
}

/** As `runShown`, while other things go on. */
export const runAlong = (command, args, options = {}) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
    child.once('error', () => done(false));
    child.once('exit', (code) => done(code === 0));
  });

/**
 * Runs a program to its end, beside others; answers whether it succeeded. Its output is shown when it is through, so that
 * two of them never speak at once.
 */
export const runBeside = (command, args) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part));
    child.once('error', (error) => {
      console.error(error.message);
      done(false);
    });
    child.once('close', (code) => {
      process.stdout.write(Buffer.concat(said));
      done(code === 0);
    });
  });

/** The output of a program; throws with what it printed when it fails. */
export function output(command, args, options = {}) {
  try {
    return execFileSync(command, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'], ...options });
  } catch (error) {
    throw new Error(`${command} ${args.join(' ')}: ${error.stderr || error.message}`, { cause: error });
  }
}

export const has = (command) => spawnSync('which', [command], { stdio: 'ignore' }).status === 0;

export const alive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** Starts a program that goes on, in a process group of its own so that all it starts ends with it. */
export const start = (command, args, options = {}) =>
  spawn(command, args, { cwd: ROOT, detached: true, stdio: 'inherit', ...options });

/** Ends a process group started by start(): politely, then after five seconds for good. */
export async function end(child) {
  if (!child?.pid || child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  signalGroup(child.pid, 'SIGTERM');
  const timer = setTimeout(() => signalGroup(child.pid, 'SIGKILL'), 5000);
  await gone;
  clearTimeout(timer);
  signalGroup(child.pid, 'SIGKILL');
}

export function signalGroup(pid, signal) {
  try {
    process.kill(-pid, signal);
  } catch {
    // The group has ended already.
  }
}
