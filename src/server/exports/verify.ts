import { execFile } from 'node:child_process';
import { open, readFile } from 'node:fs/promises';
import { promisify } from 'node:util';
import sharp from 'sharp';

const run = promisify(execFile);

/** Reads a finished file back: how many frames (pictures, files) it holds. */
export type CountFrames = (file: string) => Promise<number>;

/** Frames of a video, counted by reading the file through. */
export const videoFrames: CountFrames = async (file) => {
  const { stdout } = await run('ffprobe', [
    ...['-v', 'error', '-count_packets', '-select_streams', 'v:0'],
    ...['-show_entries', 'stream=nb_read_packets', '-of', 'csv=p=0', file],
  ]);
  return Number(stdout.trim());
};

/** Entries of a zip archive whose end says that all of it is there (APPNOTE 4.3.16: the end of the central directory). */
export const zipEntries: CountFrames = async (file) => {
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
};

/** One, where a picture can be decoded to its end. */
export const wholePicture: CountFrames = async (file) => {
  await sharp(await readFile(file), { failOn: 'error', limitInputPixels: false }).stats();
  return 1;
};

/** Throws where a finished file, read back, does not hold what it should. */
export async function needFrames(file: string, count: CountFrames, frames: number): Promise<void> {
  const found = await count(file).catch(() => 0);
  if (found !== frames)
    throw new Error(
      `The file holds ${found || 'none'} of its ${frames} frames: it was not written to its end.`,
    );
}
