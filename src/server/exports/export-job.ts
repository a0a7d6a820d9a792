import type { WholeExportSettings } from '@/contract';
import type { Piece } from '@/core/document';

/** Called after each frame; answers false when the work should stop, and throws where it can't go on. */
export type Progress = (framesDone: number) => boolean | Promise<boolean>;

/** One file to be made. */
export interface ExportJob {
  readonly piece: Piece;
  readonly settings: WholeExportSettings;
  /** What files within an archive are named by. */
  readonly stem: string;
  /** Where it is written. */
  readonly file: string;
  readonly progress: Progress;
}

/** Writes the file of a job and reads it back; false when it was stopped. */
export type WriteFormat = (job: ExportJob) => Promise<boolean>;
