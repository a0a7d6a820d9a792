import type { Between } from './between';
import { circleAmong } from './circle';
import type { Placement } from './placement';

interface Node {
  readonly id: string;
  readonly group?: string;
  readonly place?: Placement;
  readonly between?: Between;
}

/** The id of a layer or group that is carried along by itself, through parents and groups; null where none is. */
export function carriedCycle(layers: readonly Node[], groups: readonly Node[]): string | null {
  const next = new Map<string, readonly string[]>();
  for (const { id, group, place, between } of [...layers, ...groups]) {
    const by = [group, place?.parent?.to, place?.rider?.on, between?.from, between?.to].filter(
      (one) => one !== undefined,
    );
    next.set(id, by);
  }
  return circleAmong(next);
}
