import { z } from 'zod';
import { addressOf, endpoint, hashSchema, idParams } from './endpoint';

const one = { params: idParams };
const ofHash = z.strictObject({ hash: hashSchema });

/** What is fetched as a file or a picture: its answer is bytes, or text that no page reads. */
export const FILES = {
  project: endpoint('GET', '/api/projects/:id/file', one),
  piece: endpoint('GET', '/api/pieces/:id/file', one),
  thumbnail: endpoint('GET', '/api/pieces/:id/thumbnail', one),
  strip: endpoint('GET', '/api/pieces/:id/strip', one),
  export: endpoint('GET', '/api/exports/:id/file', one),
  exportThumbnail: endpoint('GET', '/api/exports/:id/thumbnail', one),
  exportArchive: endpoint('GET', '/api/exports/archive'),
  picture: endpoint('GET', '/api/pictures/:hash', { params: ofHash }),
  received: endpoint('GET', '/api/bay/:hash/file', { params: ofHash }),
  receivedFrame: endpoint('GET', '/api/bay/:hash/frames/:frame', {
    params: ofHash.extend({ frame: z.coerce.number<string | number>().int().min(0).max(10_000_000) }),
  }),
  openApi: endpoint('GET', '/api/openapi.json'),
  /** Answers once the web server reaches its database. */
  health: endpoint('GET', '/api/health'),
};

/** Where a project, or one piece, is fetched as a file. */
export const projectFileAddress = (id: string): string => addressOf(FILES.project.path, { id });
export const pieceFileAddress = (id: string): string => addressOf(FILES.piece.path, { id });

/** Where the picture of a piece at a revision is. */
export const thumbnailAddress = (id: string, revision: number): string =>
  `${addressOf(FILES.thumbnail.path, { id })}?revision=${revision}`;

/** Moments in the strip of a piece, one beside another in one picture. */
export const STRIP_MOMENTS = 20;

/** Where the strip of a piece at a revision is. */
export const stripAddress = (id: string, revision: number): string =>
  `${addressOf(FILES.strip.path, { id })}?revision=${revision}`;

/** Where the file of an export is fetched. */
export const exportFileAddress = (id: string): string => addressOf(FILES.export.path, { id });

/** Where its picture is fetched. */
export const exportThumbnailAddress = (id: string): string => addressOf(FILES.exportThumbnail.path, { id });

/** Most files of one archive that is fetched at once. */
export const MOST_FETCHED = 200;

/** Where the files of several are fetched as one zip archive. */
export const exportArchiveAddress = (ids: readonly string[]): string =>
  `${FILES.exportArchive.path}?ids=${ids.join(',')}`;

/** Where a picture is fetched. */
export const pictureAddress = (hash: string): string => addressOf(FILES.picture.path, { hash });

/** Which of the pictures of a received frame: what is seen, or how much of it is there. */
export const framePartSchema = z.enum(['picture', 'matte']);
export type FramePart = z.infer<typeof framePartSchema>;

/** Where one decoded frame is fetched: raw RGBA, a byte each, as the file has it, packed by gzip (RFC 1952). */
export const receivedFrameAddress = (hash: string, frame: number, part: FramePart): string =>
  `${addressOf(FILES.receivedFrame.path, { hash, frame })}?part=${part}`;

/** Where the text of a vector file is fetched. */
export const receivedFileAddress = (hash: string): string => addressOf(FILES.received.path, { hash });
