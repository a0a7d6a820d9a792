import { renderPicture } from './render-picture';
import { renderStrip, renderThumbnail } from './render-thumbnail';

/** Work that a request asks for and that no request may wait behind: it is done in processes of its own. */
export const TASKS = {
  picture: renderPicture,
  thumbnail: renderThumbnail,
  strip: renderStrip,
} as const;

export type Tasks = typeof TASKS;
export type TaskName = keyof Tasks;

/** What is sent to such a process, and what it answers. */
export interface Order {
  readonly task: TaskName;
  readonly input: unknown;
}
export type Report =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly refused: boolean; readonly message: string };
