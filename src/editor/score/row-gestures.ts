import { type PointerEvent, type RefObject } from 'react';
import {
  joinedWhereTheyStand,
  layersOf,
  reorderLayers,
  withTimingCarried,
  type Layer,
} from '@/core/document';
import { clamp } from '@/core/numbers';
import { followPointer } from '@/ui';
import { edit, select, useEditor } from '../state';
import { layersOfRow, type Row } from './rows';
import { HEAD_WIDTH } from './score-frame';
import { useTimeScale } from './time-scale';
import { type Bounds, keysInBox } from './key-box';

/** What is dragged and chosen in the rows of the score. */
interface Rows {
  readonly rows: readonly Row[];
  readonly layers: readonly Layer[];
  readonly scroller: RefObject<HTMLDivElement | null>;
  /** Shows where dragged rows would be dropped; null for nowhere. */
  readonly setDropAt: (row: number | null) => void;
  /** Shows the box that is drawn over the lanes. */
  readonly setBox: (box: Bounds | null) => void;
}

/** Choosing rows, dragging them to another place, and drawing a box round keys. */
export function rowGestures({ rows, layers, scroller, setDropAt, setBox }: Rows) {
  const choose = (index: number, event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }) => {
    const ids = layersOfRow(rows[index]!);
    const { layers: chosen } = useEditor.getState().selection;
    const has = ids.every((id) => chosen.includes(id));
    if (event.ctrlKey || event.metaKey) {
      select({
        layers: has ? chosen.filter((other) => !ids.includes(other)) : [...new Set([...chosen, ...ids])],
      });
    } else if (event.shiftKey && chosen.length > 0) {
      const anchor = rows.findIndex((row) => layersOfRow(row).includes(chosen[0]!));
      const [a, b] = [Math.min(anchor, index), Math.max(anchor, index)];
      const range = [...new Set(rows.slice(a, b + 1).flatMap(layersOfRow))];
      select({ layers: anchor > index ? range.reverse() : range });
    } else select({ layers: ids });
  };

  /** The place in the order of layers before a row. */
  const layerIndexAt = (row: number): number => {
    const at = rows[row];
    if (!at) return layers.length;
    const id = layersOfRow(at)[0];
    if (id === undefined) return layers.length;
    const own = layers.findIndex((layer) => layer.id === id);
    return at.kind === 'part' ? own + 1 : own;
  };

  /** Drags strokes to another place in the writing order. */
  const dragOrder = (event: PointerEvent<HTMLElement>, index: number) => {
    if (event.button !== 0) return;
    const before = useEditor.getState().selection;
    const chosen = before.layers;
    const ids = layersOfRow(rows[index]!);
    const already =
      ids.every((id) => chosen.includes(id)) && !event.shiftKey && !event.ctrlKey && !event.metaKey;
    if (!already) choose(index, event);
    const from = event.clientY;
    let to: number | null = null;
    const move = (e: globalThis.PointerEvent) => {
      if (to === null && Math.abs(e.clientY - from) < 5) return;
      const top = scroller.current!.getBoundingClientRect().top - scroller.current!.scrollTop;
      to = clamp(Math.round((e.clientY - top) / useTimeScale.getState().lane), 0, rows.length);
      setDropAt(to);
    };
    const release = () => {
      const place = to;
      if (place === null) {
        if (already) choose(index, event);
        return;
      }
      const moving = useEditor.getState().selection.layers;
      const at = layerIndexAt(place);
      edit((piece) =>
        withTimingCarried(piece, joinedWhereTheyStand(reorderLayers(piece, moving, at), moving)),
      );
    };
    followPointer(event, { move, release, cancel: () => select(before), ended: () => setDropAt(null) });
  };

  /** Draws a box over the lanes and selects the keys in it; a press alone selects the row it began in, below all rows nothing. */
  const boxSelect = (event: PointerEvent<HTMLElement>, index: number | null) => {
    if (event.button !== 0) return;
    const origin = scroller.current!.getBoundingClientRect();
    const at = (e: { clientX: number; clientY: number }) => ({
      x: e.clientX - origin.left - HEAD_WIDTH,
      y: e.clientY - origin.top + scroller.current!.scrollTop,
    });
    const from = at(event);
    const keep = event.shiftKey ? useEditor.getState().selection.keys : [];
    let drawn: Bounds | null = null;
    const move = (e: globalThis.PointerEvent) => {
      const to = at(e);
      if (!drawn && Math.hypot(to.x - from.x, to.y - from.y) < 4) return;
      drawn = {
        left: Math.min(from.x, to.x),
        right: Math.max(from.x, to.x),
        top: Math.min(from.y, to.y),
        bottom: Math.max(from.y, to.y),
      };
      setBox(drawn);
    };
    const release = () => {
      if (!drawn) {
        if (index === null) select({});
        else choose(index, event);
        return;
      }
      const { piece } = useEditor.getState();
      const keys = [...keep, ...keysInBox(piece, rows, drawn)];
      const ids = keys.flatMap(({ stroke }) => layersOf(piece, stroke));
      select({ layers: [...new Set(ids)], keys });
    };
    followPointer(event, { move, release, ended: () => setBox(null) });
  };
  return { choose, dragOrder, boxSelect };
}
