// Longer than most files: it is a table, an entry a format.
import { framesPerSecond, type Rate } from '@/core/timing';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** How what is transparent leaves in a file. */
export const TRANSPARENCIES = {
  straight: 'alpha, straight',
  premultiplied: 'alpha, premultiplied',
  edge: 'alpha of one bit',
  over: 'over a colour',
  matte: 'fill and matte, straight',
  key: 'fill and matte, premultiplied',
} as const;
export type Transparency = keyof typeof TRANSPARENCIES;

/** What may be asked of some formats beyond size and frames. */
type FormatOption = 'quality' | 'plays' | 'number' | 'wordless' | 'depth';

/** What of a picture a format may be without words for. */
export type Lack =
  /** Glows, shadows, feathered edges, ink that melts. */
  | 'softness'
  | 'blends'
  | 'motion blur'
  /** A line whose outline changes while it grows: each frame holds one of its own. */
  | 'changing outlines';

/** What is known of a format in which a piece leaves. What writes it stands on the server, under the same id. */
interface ExportFormat {
  /** As lists call it. */
  readonly name: string;
  /** What is in it, in the trade's words. */
  readonly detail: string;
  readonly ending: string;
  /** What its file is named by, after the piece. */
  readonly suffix?: string;
  readonly mediaType: string;
  /**
   * Whether it moves, in one file; is a numbered run of pictures; shows one frame; tells in words and numbers; or is a page that
   * paints the piece itself.
   */
  readonly shows: 'video' | 'sequence' | 'still' | 'table' | 'page';
  /** What it can do with what is transparent, the most usual first. */
  readonly transparencies: readonly [Transparency, ...Transparency[]];
  readonly options: readonly FormatOption[];
  /** Whether it is of one size only, which players or nobody choose. */
  readonly unsized?: true;
  /** Whether it holds shapes and not pixels. */
  readonly vector?: true;
  /** What of a picture it can't hold, which the dialog says of a piece that has it. */
  readonly lacks?: readonly Lack[];
  /** What of a picture it holds as a picture among its shapes. */
  readonly pictures?: readonly Lack[];
  /** Most frames of one file: it is made, and read, as a whole. */
  readonly mostFrames?: number;
  /** Whether its codec takes only even widths and heights: a row or column of the ground is added. */
  readonly even?: true;
  /** Most frames a second it can hold: of quicker pieces every second frame leaves. */
  readonly mostRate?: number;
  /** Bits a pixel of the frame takes, least and most, over the sample pieces at half size (docs/exports.md). */
  readonly bits: readonly [number, number];
}

const ALPHA = ['straight', 'premultiplied'] as const;
const APART = ['matte', 'key'] as const;

/** All formats, in the order of lists. */
export const EXPORT_FORMATS = {
  webm: {
    name: 'WebM',
    detail: 'VP9 with alpha',
    ending: 'webm',
    mediaType: 'video/webm',
    shows: 'video',
    transparencies: ['straight', 'over', ...APART],
    options: ['quality'],
    bits: [0.02, 0.14],
  },
  prores: {
    name: 'MOV, ProRes',
    detail: 'ProRes 4444 with alpha',
    ending: 'mov',
    mediaType: 'video/quicktime',
    shows: 'video',
    transparencies: [...ALPHA, 'over', ...APART],
    options: [],
    bits: [0.4, 2.2],
  },
  lossless: {
    name: 'MOV, lossless',
    detail: 'Animation (run lengths), 8 bits of RGBA',
    ending: 'mov',
    mediaType: 'video/quicktime',
    shows: 'video',
    transparencies: [...ALPHA, 'over', ...APART],
    options: [],
    bits: [0.09, 0.33],
  },
  mp4: {
    name: 'MP4',
    detail: 'H.264',
    ending: 'mp4',
    mediaType: 'video/mp4',
    shows: 'video',
    transparencies: ['over', ...APART],
    options: ['quality'],
    even: true,
    bits: [0.006, 0.03],
  },
  apng: {
    name: 'APNG',
    detail: 'animated PNG with alpha, lossless',
    ending: 'png',
    mediaType: 'image/apng',
    shows: 'video',
    transparencies: ['straight', 'over'],
    options: ['plays'],
    bits: [0.04, 0.28],
  },
  webp: {
    name: 'WebP',
    detail: 'animated WebP with alpha',
    ending: 'webp',
    mediaType: 'image/webp',
    shows: 'video',
    transparencies: ['straight', 'over'],
    options: ['quality', 'plays'],
    bits: [0.02, 0.16],
  },
  gif: {
    name: 'GIF',
    detail: '256 colours',
    ending: 'gif',
    mediaType: 'image/gif',
    shows: 'video',
    transparencies: ['edge', 'over'],
    options: ['plays'],
    mostRate: 50,
    bits: [0.03, 0.12],
  },
  png: {
    name: 'PNG sequence',
    detail: 'numbered PNG pictures in a zip',
    ending: 'zip',
    mediaType: 'application/zip',
    shows: 'sequence',
    transparencies: [...ALPHA, 'over', ...APART],
    options: ['number', 'depth'],
    bits: [0.13, 0.41],
  },
  svg: {
    name: 'SVG, animated',
    detail: 'vectors that move by themselves',
    ending: 'svg',
    mediaType: 'image/svg+xml',
    shows: 'video',
    transparencies: ['straight', 'over'],
    options: ['plays', 'wordless'],
    vector: true,
    lacks: ['motion blur', 'changing outlines'],
    mostFrames: 3000,
    bits: [0.006, 0.53],
  },
  lottie: {
    name: 'Lottie',
    detail: 'vector animation JSON, specification 1.0',
    unsized: true,
    ending: 'json',
    mediaType: 'application/json',
    shows: 'video',
    transparencies: ['straight'],
    options: ['wordless'],
    vector: true,
    lacks: ['softness', 'motion blur', 'changing outlines'],
    mostFrames: 3000,
    bits: [0.02, 1.4],
  },
  page: {
    name: 'HTML page',
    detail: 'one page that paints the piece itself, without a server',
    ending: 'html',
    mediaType: 'text/html',
    shows: 'page',
    unsized: true,
    vector: true,
    transparencies: ['straight', 'over'],
    options: ['plays'],
    bits: [0.012, 0.11],
  },
  element: {
    name: 'Element for web pages',
    detail: 'a module with the element <obelus-piece>, the piece as JSON, and an example, in a zip',
    suffix: 'element',
    ending: 'zip',
    mediaType: 'application/zip',
    shows: 'page',
    unsized: true,
    vector: true,
    transparencies: ['straight', 'over'],
    options: ['plays'],
    bits: [0.012, 0.11],
  },
  'still-png': {
    name: 'PNG still',
    detail: 'one frame, lossless',
    ending: 'png',
    mediaType: 'image/png',
    shows: 'still',
    transparencies: [...ALPHA, 'over', ...APART],
    options: ['depth'],
    bits: [0.15, 0.55],
  },
  'still-webp': {
    name: 'WebP still',
    detail: 'one frame',
    ending: 'webp',
    mediaType: 'image/webp',
    shows: 'still',
    transparencies: ['straight', 'over'],
    options: [],
    bits: [0.07, 0.33],
  },
  'still-svg': {
    name: 'SVG still',
    detail: 'one frame, vectors',
    ending: 'svg',
    mediaType: 'image/svg+xml',
    shows: 'still',
    transparencies: ['straight', 'over'],
    options: [],
    vector: true,
    pictures: ['motion blur'],
    bits: [0.08, 2.8],
  },
  'still-pdf': {
    name: 'PDF still',
    detail: 'one frame as a page, vectors',
    ending: 'pdf',
    mediaType: 'application/pdf',
    shows: 'still',
    transparencies: ['straight', 'over'],
    options: [],
    vector: true,
    lacks: ['blends'],
    pictures: ['softness', 'motion blur'],
    bits: [0.05, 4.2],
  },
  'keys-csv': {
    name: 'Keys, CSV',
    suffix: 'keys',
    detail: 'every key with its layer, part, frame, timecode, value and easing',
    ending: 'csv',
    mediaType: 'text/csv',
    shows: 'table',
    unsized: true,
    transparencies: ['straight'],
    options: [],
    bits: [0, 0],
  },
  'keys-json': {
    name: 'Keys, JSON',
    suffix: 'keys',
    detail: 'the same for programs',
    ending: 'json',
    mediaType: 'application/json',
    shows: 'table',
    unsized: true,
    transparencies: ['straight'],
    options: [],
    bits: [0, 0],
  },
  'cues-csv': {
    name: 'Cue sheet',
    suffix: 'cues',
    detail: 'markers and strokes with their times, as CSV',
    ending: 'csv',
    mediaType: 'text/csv',
    shows: 'table',
    unsized: true,
    transparencies: ['straight'],
    options: [],
    bits: [0, 0],
  },
} as const satisfies Record<string, ExportFormat>;
export type FormatId = keyof typeof EXPORT_FORMATS;

export const FORMAT_IDS = Object.keys(EXPORT_FORMATS) as [FormatId, ...FormatId[]];

/** What is known of a format. */
export const formatOf = (id: FormatId): ExportFormat => EXPORT_FORMATS[id];

/** Whether a format shows no more than one frame. */
export const isSingle = ({ shows }: ExportFormat): boolean => shows === 'still' || shows === 'table';

/** Whether it is pictures or vectors that the edit bay can show; a page that paints the piece shows what the editor shows. */
export const isWatched = ({ shows }: ExportFormat): boolean => shows !== 'table' && shows !== 'page';

/** Whether a format holds 16 bits a channel of what leaves so. A straight fill is spread beyond its edges, eight bits deep. */
export const isDeep = ({ options }: ExportFormat, transparency: Transparency): boolean =>
  options.includes('depth') && transparency !== 'matte';

/** Whether what leaves is two files: a fill and its matte. */
export const isApart = (transparency: Transparency): boolean =>
  transparency === 'matte' || transparency === 'key';

/** Whether a colour is asked for: to lie beneath, or for half-transparent edges to be laid over. */
export const needsColour = (transparency: Transparency): boolean =>
  transparency === 'over' || transparency === 'edge';

/** How many frames of a piece make one of the file: formats that hold fewer a second leave frames out. */
export const frameStep = (format: ExportFormat, rate: Rate): number =>
  format.mostRate ? Math.max(1, Math.ceil(framesPerSecond(rate) / format.mostRate - 1e-9)) : 1;

/** Pixels of the frames of a file, as they are painted. */
export const exportSize = (size: Size, scale: number): Size => ({
  width: Math.max(1, Math.round(size.width * scale)),
  height: Math.max(1, Math.round(size.height * scale)),
});

/** Pixels of the frames of a file, as the format holds them. */
export function fileSize(format: ExportFormat, size: Size, scale: number): Size {
  const { width, height } = exportSize(size, scale);
  return format.even ? { width: width + (width % 2), height: height + (height % 2) } : { width, height };
}
