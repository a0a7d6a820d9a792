import type { Fault } from '@/core/document';

/** A refusal that the person at the other end should read: status, words, and where the faults are. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly details: { faults?: readonly Fault[]; [key: string]: unknown } = {},
  ) {
    super(message);
  }
}
