import type { ExportSettings } from './exports';

/** A kind of place that a file goes to: what it is called, what it is sent, and why. */
export interface Receiver {
  readonly name: string;
  /** What decides of the file. */
  readonly sent: Pick<ExportSettings, 'format' | 'transparency' | 'quality' | 'over' | 'plays'>;
  readonly why: string;
}

/** Kinds of places that files go to, in the order of lists: what each is sent is common practice. */
export const RECEIVERS = {
  editing: {
    name: 'An editing program that keeps transparency',
    sent: { format: 'prores', transparency: 'straight' },
    why: 'ProRes 4444 keeps colour at full resolution and sixteen bits of alpha; the film is laid over footage as it is.',
  },
  dropping: {
    name: 'An editing program that drops transparency',
    sent: { format: 'prores', transparency: 'matte' },
    why: 'Two films of the same frames: the picture, and its alpha as grey. The second is set as a luminance matte of the first.',
  },
  light: {
    name: 'A layer that adds light (screen, add)',
    sent: { format: 'mp4', transparency: 'over', over: '#000000', quality: 'high' },
    why: 'What is black adds nothing, so the picture over black needs no alpha. Dark ink is not seen this way.',
  },
  page: {
    name: 'A web page',
    sent: { format: 'webm', transparency: 'straight', quality: 'high' },
    why: 'Browsers play VP9 with its alpha over whatever lies beneath; give the page an MP4 beside it for those that don’t.',
  },
  vector: {
    name: 'A web page, as vectors; another animator',
    sent: { format: 'svg', transparency: 'straight', plays: 'again' },
    why: 'SVG moves by itself, is sharp at any size and can be taken apart. Strokes stay strokes; tapers and dashes are shapes, frame by frame.',
  },
  live: {
    name: 'A web page, exactly as designed',
    sent: { format: 'element', transparency: 'straight', plays: 'again' },
    why: 'The page paints the piece with the code that designed it: every effect, sharp at any size, fields filled by attributes.',
  },
  player: {
    name: 'An application that plays vector animations',
    sent: { format: 'lottie' },
    why: 'Lottie is read by players on phones and in pages. It has no word for softness: glows and shadows are left out.',
  },
  social: {
    name: 'Chat and social',
    sent: { format: 'mp4', transparency: 'over', quality: 'high' },
    why: 'H.264 in MP4 plays everywhere. It has no alpha: choose the colour beneath.',
  },
  message: {
    name: 'A message that shows pictures, not films',
    sent: { format: 'gif', transparency: 'edge', plays: 'again' },
    why: 'GIF is shown as a picture and plays by itself. A pixel is there or not: choose the colour that edges are laid over.',
  },
  sticker: {
    name: 'A sticker, in colours as they are',
    sent: { format: 'webp', transparency: 'straight', quality: 'high', plays: 'again' },
    why: 'Animated WebP keeps every colour and soft edges, at a fraction of the size of pictures.',
  },
  compositing: {
    name: 'Pictures for compositing',
    sent: { format: 'png', transparency: 'straight' },
    why: 'Every frame without loss, with straight alpha as PNG has it, numbered.',
  },
  mixer: {
    name: 'A broadcast mixer with key and fill',
    sent: { format: 'prores', transparency: 'key' },
    why: 'The fill is over black already, and the key says what it covers: two films of the same frames, as mixers add them.',
  },
  timing: {
    name: 'Somebody who cuts, speaks or sounds to it',
    sent: { format: 'cues-csv' },
    why: 'Markers and strokes in the order of time, in frames and timecode, for any sheet.',
  },
  still: {
    name: 'A poster, a page, a thumbnail',
    sent: { format: 'still-png', transparency: 'straight' },
    why: 'One frame without loss, with straight alpha.',
  },
} as const satisfies Record<string, Receiver>;
export type ReceiverId = keyof typeof RECEIVERS;

export const RECEIVER_IDS = Object.keys(RECEIVERS) as [ReceiverId, ...ReceiverId[]];

/** Whether settings are what a kind of place is sent: several may be sent the same. */
export const isSentTo = (id: ReceiverId, settings: ExportSettings): boolean =>
  Object.entries(RECEIVERS[id].sent).every(([key, value]) => settings[key as keyof ExportSettings] === value);
