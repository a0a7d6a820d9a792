import { create } from 'zustand';
import { z } from 'zod';
import { recall, remember } from '../remembered';

const KEY = 'obelus-faces';
/** How many faces are remembered as used last. */
const LAST = 5;

const rememberedSchema = z.object({ liked: z.array(z.string()), last: z.array(z.string()) });
type Remembered = z.infer<typeof rememberedSchema>;

function recalled(): Remembered {
  try {
    return rememberedSchema.parse(JSON.parse(recall(KEY) ?? ''));
  } catch {
    return { liked: [], last: [] };
  }
}

/** Faces that a person likes, and those used last, the newest first; kept by this browser. */
export const useLikedFaces = create<Remembered>(recalled);

useLikedFaces.subscribe((now) => remember(KEY, JSON.stringify(now)));

export const toggleLiked = (id: string): void =>
  useLikedFaces.setState(({ liked }) => ({
    liked: liked.includes(id) ? liked.filter((one) => one !== id) : [...liked, id],
  }));

export const noteFaceUsed = (id: string): void =>
  useLikedFaces.setState(({ last }) => ({ last: [id, ...last.filter((one) => one !== id)].slice(0, LAST) }));
