import type { HttpError } from '../http/http-error';
import { inspectFace } from '../lettering/inspect-face';
import { readReceived } from '../bay/read-received';
import { readBody } from '../documents/bodies';
import { checkDocument, patchDocument } from '../documents/checked';
import { archiveProject } from '../project-file/archive-project';
import { readProjectFile } from '../project-file/read-project-file';
import { renderPicture } from './render-picture';
import { renderStrip, renderThumbnail } from './render-thumbnail';

/** Work that a request asks for and that no request may wait behind: it is done in processes of its own. */
export const TASKS = {
  readBody,
  checkDocument,
  patchDocument,
  picture: renderPicture,
  face: inspectFace,
  received: readReceived,
  projectFile: readProjectFile,
  archiveProject,
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
  | { readonly ok: false; readonly is: 'refused' | 'full' | 'fault'; readonly message: string }
  | {
      readonly ok: false;
      readonly is: 'http';
      readonly message: string;
      readonly status: number;
      readonly details: HttpError['details'];
    };
