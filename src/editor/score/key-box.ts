'use client';
import { keysAt, type KeyRef, type Layer, type Piece, strokesOf } from '@/core/document';
import { laneY } from './envelope';
import type { Row } from './rows';
import { useTimeScale, xOf } from './time-scale';

export interface Bounds {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Keys inside a box given in pixels of the lanes. */
export function keysInBox(piece: Piece, rows: readonly Row[], box: Bounds): KeyRef[] {
  const scale = useTimeScale.getState();
  return rows.flatMap((row, i) => {
    const top = i * scale.lane;
    if (top > box.bottom || top + scale.lane < box.top) return [];
    const { owner } = row;
    if (owner.locked || (owner.led && row.kind === 'layer')) return [];
    const { window } = owner;
    const parts =
      row.kind === 'part' ? [row.part] : window ? ['head', 'tail'] : owner.lead ? [owner.lead] : [];
    return parts.flatMap((part) =>
      keysAt(piece, { stroke: owner.id, part }).flatMap((key, index) => {
        const x = xOf(scale, key.frame);
        // Keys of a part are taken wherever in its lane they stand.
        const y =
          row.kind === 'part' || !window
            ? null
            : top + laneY(scale.lane, window(key.frame)[part as 'head' | 'tail']);
        const inside = x >= box.left && x <= box.right && (y === null || (y >= box.top && y <= box.bottom));
        return inside ? [{ stroke: owner.id, part, index }] : [];
      }),
    );
  });
}

/** What is tied to what, in words for both sides. */
export function boundWords(layers: readonly Layer[]): Map<string, string> {
  const names = new Map(layers.map((layer) => [layer.id, layer.name]));
  const words = new Map<string, string>();
  const say = (id: string, text: string) => words.set(id, words.has(id) ? `${words.get(id)}; ${text}` : text);
  for (const layer of strokesOf({ layers })) {
    for (const { property, to } of layer.ties ?? []) {
      if (!names.has(to)) continue;
      say(layer.id, `${property} follows ${names.get(to)}`);
      say(to, `${layer.name} follows its ${property}`);
    }
  }
  return words;
}
