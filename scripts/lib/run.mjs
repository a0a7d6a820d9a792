import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { saidBy } from './say.mjs';

export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
/** @param {string} name */
export const bin = (name) => resolve(ROOT, 'node_modules/.bin', name);
/**
 * What Node runs a TypeScript program of the project with, as one plain script.
 * @param {string} entry
 */
export const plain = (entry) => [resolve(ROOT, 'scripts/plain.mjs'), entry];
/**
 * What checks types. Both TypeScripts have a program `tsc`: 7 checks in a sixth of the time, 6 is what other packages read sources with.
 * @type {[program: string, args: string[]]}
 */
export const TYPES = [resolve(ROOT, 'node_modules/typescript-7/bin/tsc'), ['--noEmit', '--singleThreaded']];
export const isRoot = process.getuid?.() === 0;

/**
 * Runs a program to its end with its output shown; answers whether it succeeded.
 * @param {string} command
 * @param {readonly string[]} args
 * @param {import('node:child_process').SpawnSyncOptions} [options]
 */
export function runShown(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  return result.status === 0;
}

/**
 * As `runShown`, while other things go on.
 * @param {string} command
 * @param {readonly string[]} args
 * @param {import('node:child_process').SpawnOptions} [options]
 * @returns {Promise<boolean>}
 */
export const runAlong = (command, args, options = {}) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
    child.once('error', () => done(false));
    child.once('exit', (code) => done(code === 0));
  });

/**
 * Runs a program to its end, beside others; answers whether it succeeded. Its output is shown when it is through, so that
 * two of them never speak at once.
 * @param {string} command
 * @param {readonly string[]} args
 * @returns {Promise<boolean>}
 */
export const runBeside = (command, args) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    /** @type {Buffer[]} */
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

/**
 * The output of a program; throws with what it printed when it fails.
 * @param {string} command
 * @param {readonly string[]} args
 * @param {import('node:child_process').ExecFileSyncOptions} [options]
 * @returns {string}
 */
export function output(command, args, options = {}) {
  try {
    return String(
      execFileSync(command, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'], ...options }),
    );
  } catch (error) {
    throw new Error(`${command} ${args.join(' ')}: ${/** @type {any} */ (error).stderr || saidBy(error)}`, {
      cause: error,
    });
  }
}

/** @param {string} command */
export const has = (command) => spawnSync('which', [command], { stdio: 'ignore' }).status === 0;

/** @param {number} pid */
export const alive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return /** @type {NodeJS.ErrnoException} */ (error).code === 'EPERM';
  }
};

/**
 * Starts a program that goes on, in a process group of its own so that all it starts ends with it.
 * @param {string} command
 * @param {readonly string[]} args
 * @param {import('node:child_process').SpawnOptions} [options]
 */
export const start = (command, args, options = {}) =>
  spawn(command, args, { cwd: ROOT, detached: true, stdio: 'inherit', ...options });

/**
 * Ends a process group started by start(): politely, then after five seconds for good.
 * @param {import('node:child_process').ChildProcess | undefined} child
 */
export async function end(child) {
  const pid = child?.pid;
  if (!pid || child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  signalGroup(pid, 'SIGTERM');
  const timer = setTimeout(() => signalGroup(pid, 'SIGKILL'), 5000);
  await gone;
  clearTimeout(timer);
  signalGroup(pid, 'SIGKILL');
}

/**
 * @param {number} pid
 * @param {NodeJS.Signals} signal
 */
export function signalGroup(pid, signal) {
  try {
    process.kill(-pid, signal);
  } catch {
    // The group has ended already.
  }
}
