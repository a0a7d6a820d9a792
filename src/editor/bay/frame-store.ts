import { receivedFrameAddress, type FramePart, type Received } from '@/contract';
import type { Pixels } from '@/core/bay';

/** Decoded frames that are held at a time: a few either way of the one that is looked at. */
const MOST = 12;

/** The decoded frames of one received file. */
interface FrameStore {
  /** Pixels of a frame as the file has them. @throws Error in words where it can't be decoded. */
  get(frame: number, part: FramePart): Promise<Pixels>;
}

async function fetchFrame(
  { hash, width, height }: Received,
  frame: number,
  part: FramePart,
): Promise<Pixels> {
  const answer = await fetch(receivedFrameAddress(hash, frame, part)).catch(() => null);
  if (!answer) throw new Error('The server cannot be reached. Nothing was changed.');
  if (!answer.ok) {
    const { error } = (await answer.json().catch(() => ({}))) as { error?: { message?: string } };
    throw new Error(error?.message ?? `The server answered with ${answer.status}.`);
  }
  const unpacked = new Response(answer.body!.pipeThrough(new DecompressionStream('gzip')));
  const pixels = new Uint8ClampedArray(await unpacked.arrayBuffer());
  if (pixels.length !== width * height * 4)
    throw new Error('A frame of the file has another size than the first.');
  return pixels;
}

export function frameStore(received: Received): FrameStore {
  const known = new Map<string, Promise<Pixels>>();
  const take = (frame: number, part: FramePart): Promise<Pixels> => {
    const key = `${part} ${frame}`;
    const pixels = known.get(key) ?? fetchFrame(received, frame, part);
    // Taken anew it is the youngest.
    known.delete(key);
    known.set(key, pixels);
    pixels.catch(() => known.delete(key));
    for (const old of [...known.keys()].slice(0, -MOST)) known.delete(old);
    return pixels;
  };
  return {
    get(frame, part) {
      const pixels = take(frame, part);
      // The next is asked for as soon as this is here, so that playing does not wait for it.
      if (frame + 1 < received.frames) pixels.then(() => take(frame + 1, part)).catch(() => {});
      return pixels;
    },
  };
}
