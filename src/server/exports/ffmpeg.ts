import { spawn } from 'node:child_process';
import { DiskFull } from '../disk';

/** ffmpeg was ended from outside, as a worker may be: what it did can be done again. */
export class Interrupted extends Error {
  constructor() {
    super('ffmpeg was ended by the system.');
  }
}

/** A running ffmpeg that takes raw frames. */
interface Encoder {
  /** Hands over one frame; resolves when ffmpeg has read it, so that its bytes may be used again. */
  write(frame: Uint8Array): Promise<void>;
  /** Resolves when the file is complete; rejects with what ffmpeg said. */
  finish(): Promise<void>;
  /** Stops at once and leaves the file unfinished. */
  kill(): void;
}

/** What to do where an ffmpeg was built without an encoder. */
const lacks = (said: string): string =>
  `The ffmpeg of this machine has no encoder ${/unknown encoder '([^']+)'/i.exec(said)?.[1] ?? 'for this format'}. Install Debian’s ffmpeg, or choose another format.`;

/** Starts ffmpeg; what it prints is kept for the error, should it fail. */
export function startFfmpeg(args: readonly string[]): Encoder {
  const child = spawn('ffmpeg', ['-hide_banner', '-loglevel', 'error', '-y', ...args], {
    stdio: ['pipe', 'ignore', 'pipe'],
  });
  let said = '';
  let killed = false;
  child.stderr.on('data', (data: Buffer) => {
    said = (said + data.toString()).slice(-4000);
  });
  let failure: Error | null = null;
  const ended = new Promise<void>((resolve) => {
    child.on('error', (error) => {
      failure = new Error(`ffmpeg could not be started: ${error.message}`);
      resolve();
    });
    child.on('close', (code, signal) => {
      // It ends with 0 even where the disk was full; what it said tells.
      const full = /no space left on device/i.test(said);
      if (full) failure ??= new DiskFull();
      else if (signal && !killed) failure ??= new Interrupted();
      else if (/unknown encoder/i.test(said)) failure ??= new Error(lacks(said));
      else if (code !== 0) failure ??= new Error(`ffmpeg stopped with code ${code}: ${said.trim()}`);
      resolve();
    });
  });
  // A broken pipe shows as the exit code; the write error itself says nothing more.
  child.stdin.on('error', () => {});
  return {
    async write(frame) {
      if (failure) throw failure;
      const taken = new Promise<void>((resolve) => child.stdin.write(frame, () => resolve()));
      await Promise.race([taken, ended]);
      if (failure) throw failure;
    },
    async finish() {
      child.stdin.end();
      await ended;
      if (failure) throw failure;
    },
    kill() {
      killed = true;
      child.kill('SIGKILL');
    },
  };
}
