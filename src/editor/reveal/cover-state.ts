import { create } from 'zustand';
import type { Coverage } from '@/core/trace';

/** What is known of how a layer is uncovered. */
interface Covering {
  /** The revealed layer that is measured. */
  readonly of: string | null;
  readonly coverage: Coverage | null;
  /** How long the last measuring took, ms. */
  readonly ms: number;
  readonly running: boolean;
}

export const useCovering = create<Covering>(() => ({ of: null, coverage: null, ms: 0, running: false }));
