import { execFile } from 'node:child_process';
import { open } from 'node:fs/promises';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** Frames of a video, counted by reading the file through. */
async function videoFrames(file: string): Promise<number> {
  const { stdout } = await run('ffprobe', [
    ...['-v', 'error', '-count_packets', '-select_streams', 'v:0'],
    ...['-show_entries', 'stream=nb_read_packets', '-of', 'csv=p=0', file],
  ]);
  return Number(stdout.trim());
}

/** Entries of a zip archive whose end says that all of it is there (APPNOTE 4.3.16: the end of the central directory). */
async function zipEntries(file: string): Promise<number> {
  const END = 22;
  const handle = await open(file);
  try {
    const { size } = await handle.stat();
    if (size < END) return 0;
    const { buffer } = await handle.read(Buffer.alloc(END), 0, END, size - END);
    const whole =
      buffer.readUInt32LE(0) === 0x06054b50 &&
      buffer.readUInt32LE(12) + buffer.readUInt32LE(16) + END === size;
    return whole ? buffer.readUInt16LE(10) : 0;
  } finally {
    await handle.close();
  }
}

/** Throws where a finished file, read back, does not hold every frame. */
export async function needFrames(file: string, format: 'webm' | 'png', frames: number): Promise<void> {
  const found = await (format === 'webm' ? videoFrames(file) : zipEntries(file)).catch(() => 0);
  if (found !== frames)
    throw new Error(
      `The file holds ${found || 'none'} of its ${frames} frames: it was not written to its end.`,
    );
}
