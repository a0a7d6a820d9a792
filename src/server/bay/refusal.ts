import { HttpError } from '../http/http-error';

/** A file that the edit bay can't show, in words. */
export const unreadable = (why: string): HttpError =>
  new HttpError(422, `This file can’t be shown: ${why} Nothing was changed.`);
