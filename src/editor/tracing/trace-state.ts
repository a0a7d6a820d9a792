import { create } from 'zustand';
import type { Job } from '../jobs';
import type { Mask } from '@/core/mask';
import type { TracedStroke, ThresholdOptions, TraceOptions } from '@/core/trace';
import { THRESHOLD_OPTIONS, TRACE_OPTIONS } from '@/core/trace';

/** A trace that is under way, or waits to be taken. */
export interface TraceRun {
  readonly job: Job<TracedStroke[]>;
  /** Id of the art, lettering or underlay. */
  readonly source: string;
  /** Share done, 0..1, while it runs. */
  readonly done: number;
  readonly strokes: readonly TracedStroke[] | null;
  /** How long it took, ms. */
  readonly ms: number;
}

/** The ink found in a picture, as it will be traced, laid over it. */
interface InkPreview {
  readonly underlay: string;
  readonly mask: Mask;
}

interface TraceState {
  readonly run: TraceRun | null;
  readonly ink: InkPreview | null;
  readonly options: TraceOptions;
  readonly keepWidths: boolean;
  /** Whether strokes found for the first time are timed to write on in order. */
  readonly writeOn: boolean;
  readonly threshold: ThresholdOptions;
}

export const useTracing = create<TraceState>(() => ({
  run: null,
  ink: null,
  options: TRACE_OPTIONS,
  keepWidths: true,
  writeOn: true,
  threshold: THRESHOLD_OPTIONS,
}));
