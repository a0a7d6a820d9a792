'use client';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import styled from 'styled-components';
import { reorderLayers, withTimingCarried, type KeyRef, type Layer } from '@/core/document';
import { windowAt } from '@/core/scene';
import { keysOf } from '@/core/timing';
import { Button } from '@/ui';
import { edit, select, useEditor } from '../state';
import { CueThreads } from './cue-threads';
import { LANE, laneY } from './envelope';
import { ArtLane, Lane } from './lane';
import { LaneHead } from './lane-head';
import { RetimeBox } from './retime-box';
import { PlayheadLine, Ruler, useRulerMarks } from './ruler';
import { fitTime, scrollTime, useTimeScale, xOf, zoomTime } from './time-scale';
import { Transport } from './transport';

export const HEAD_WIDTH = 244;

const Root = styled.section`
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
  background: var(--panel);
`;
const Body = styled.div`
  position: relative;
  flex: 1;
  min-height: 0;
`;
const Scroller = styled.div`
  position: absolute;
  inset: 0 0 20px 0;
  overflow: hidden auto;
  scrollbar-width: thin;
  scrollbar-color: var(--rule) transparent;
  outline: none;
`;
const Over = styled.div`
  position: absolute;
  top: 0;
  bottom: 0;
  left: ${HEAD_WIDTH}px;
  right: 0;
  overflow: hidden;
  pointer-events: none;
`;
const Foot = styled.div`
  position: absolute;
  left: ${HEAD_WIDTH}px;
  right: 0;
  bottom: 0;
  height: 20px;
  background: var(--ground);
`;
const Row = styled.div`
  position: absolute;
  left: 0;
  right: 0;
  display: grid;
  grid-template-columns: ${HEAD_WIDTH}px 1fr;
  height: ${LANE.height}px;
  cursor: default;
  user-select: none;
  &:nth-child(odd) {
    background: color-mix(in srgb, var(--ground) 40%, transparent);
  }
  &[aria-selected='true'] {
    background: var(--raised);
    box-shadow: inset 3px 0 0 var(--head);
  }
  &:focus-visible {
    outline-offset: -2px;
  }
`;
const Empty = styled.div`
  display: grid;
  justify-items: center;
  align-content: center;
  gap: 10px;
  height: 100%;
  color: var(--quiet);
`;
const DropLine = styled.div`
  position: absolute;
  left: 0;
  right: 0;
  height: 2px;
  background: var(--head);
  pointer-events: none;
  z-index: 3;
`;
const Box = styled.div`
  position: absolute;
  border: 1px solid var(--head);
  background: color-mix(in srgb, var(--head) 10%, transparent);
  pointer-events: none;
  z-index: 3;
`;
/** What is drawn over the lanes, and scrolls with them. */
const OverLanes = styled.div`
  position: absolute;
  inset: 0 0 0 ${HEAD_WIDTH}px;
  overflow: hidden;
  pointer-events: none;
`;
const Grid = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--rule);
`;

function GridLines() {
  return useRulerMarks().map((mark) => <Grid key={mark.frame} style={{ left: mark.x }} />);
}

const NO_KEYS: readonly KeyRef[] = [];

/** Keys of strokes inside a box given in pixels of the lanes. */
function keysInBox(
  layers: readonly Layer[],
  box: { left: number; right: number; top: number; bottom: number },
): KeyRef[] {
  const scale = useTimeScale.getState();
  return layers.flatMap((layer, row) => {
    if (layer.type !== 'stroke' || layer.locked) return [];
    return (['head', 'tail'] as const).flatMap((part) =>
      keysOf(layer.window[part]).flatMap((key, index) => {
        const x = xOf(scale, key.frame);
        const y = row * LANE.height + laneY(windowAt(layer, key.frame)[part]);
        const inside = x >= box.left && x <= box.right && y >= box.top && y <= box.bottom;
        return inside ? [{ stroke: layer.id, part, index }] : [];
      }),
    );
  });
}

/** The writing number of each layer; null for what is not a stroke. */
function ordersOf(layers: readonly Layer[]): (number | null)[] {
  let order = 0;
  return layers.map((layer) => (layer.type === 'stroke' ? ++order : null));
}

/** What is tied to what, in words for both sides. */
function boundWords(layers: readonly Layer[]): Map<string, string> {
  const names = new Map(layers.map((layer) => [layer.id, layer.name]));
  const words = new Map<string, string>();
  const say = (id: string, text: string) => words.set(id, words.has(id) ? `${words.get(id)}; ${text}` : text);
  for (const layer of layers) {
    if (layer.type !== 'stroke') continue;
    for (const { property, to } of layer.ties ?? []) {
      if (!names.has(to)) continue;
      say(layer.id, `${property} follows ${names.get(to)}`);
      say(to, `${layer.name} follows its ${property}`);
    }
  }
  return words;
}

/** The lanes: every stroke of the piece over time, in writing order, with the art that lies between them. */
export function Score() {
  const layers = useEditor((s) => s.piece.layers);
  const orders = useMemo(() => ordersOf(layers), [layers]);
  const bound = useMemo(() => boundWords(layers), [layers]);
  const length = useEditor((s) => s.piece.length);
  const selection = useEditor((s) => s.selection);
  const scroller = useRef<HTMLDivElement>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [dropAt, setDropAt] = useState<number | null>(null);
  const [box, setBox] = useState<{ left: number; right: number; top: number; bottom: number } | null>(null);
  const rows = useVirtualizer({
    count: layers.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => LANE.height,
    overscan: 4,
  });

  useEffect(() => {
    const element = scroller.current!;
    const observer = new ResizeObserver(() => {
      useTimeScale.setState({ width: Math.max(0, element.clientWidth - HEAD_WIDTH) });
      if (useTimeScale.getState().fitted) fitTime(useEditor.getState().piece.length);
    });
    observer.observe(element);
    const wheel = (event: WheelEvent) => {
      const { length: frames } = useEditor.getState().piece;
      if (event.ctrlKey || event.metaKey) {
        event.preventDefault();
        const x = event.clientX - element.getBoundingClientRect().left - HEAD_WIDTH;
        zoomTime(Math.exp(-event.deltaY / 300), x, frames);
      } else if (event.shiftKey || event.deltaX !== 0) {
        event.preventDefault();
        scrollTime(event.deltaX || event.deltaY, frames);
      }
    };
    element.addEventListener('wheel', wheel, { passive: false });
    return () => {
      observer.disconnect();
      element.removeEventListener('wheel', wheel);
    };
  }, []);
  useEffect(() => {
    if (useTimeScale.getState().fitted) fitTime(length);
    else scrollTime(0, length);
  }, [length]);

  const focusRow = (index: number) => {
    rows.scrollToIndex(index);
    requestAnimationFrame(() =>
      scroller.current?.querySelector<HTMLElement>(`[data-row="${index}"]`)?.focus(),
    );
  };
  const choose = (index: number, event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }) => {
    const id = layers[index]!.id;
    const { layers: chosen } = useEditor.getState().selection;
    if (event.ctrlKey || event.metaKey) {
      select({ layers: chosen.includes(id) ? chosen.filter((other) => other !== id) : [...chosen, id] });
    } else if (event.shiftKey && chosen.length > 0) {
      const anchor = layers.findIndex((layer) => layer.id === chosen[0]);
      const [a, b] = [Math.min(anchor, index), Math.max(anchor, index)];
      const range = layers.slice(a, b + 1).map((layer) => layer.id);
      select({ layers: anchor > index ? range.reverse() : range });
    } else select({ layers: [id] });
  };

  /** Drags strokes to another place in the writing order. */
  const dragOrder = (event: PointerEvent<HTMLElement>, index: number) => {
    if (event.button !== 0) return;
    const target = event.currentTarget;
    const chosen = useEditor.getState().selection.layers;
    const id = layers[index]!.id;
    const already = chosen.includes(id) && !event.shiftKey && !event.ctrlKey && !event.metaKey;
    if (!already) choose(index, event);
    const from = event.clientY;
    let to: number | null = null;
    target.setPointerCapture(event.pointerId);
    const moved = (e: globalThis.PointerEvent) => {
      if (to === null && Math.abs(e.clientY - from) < 5) return;
      const top = scroller.current!.getBoundingClientRect().top - scroller.current!.scrollTop;
      to = Math.max(0, Math.min(layers.length, Math.round((e.clientY - top) / LANE.height)));
      setDropAt(to);
    };
    const done = () => {
      target.removeEventListener('pointermove', moved);
      target.removeEventListener('pointerup', done);
      target.removeEventListener('pointercancel', done);
      setDropAt(null);
      const place = to;
      if (place === null) {
        if (already) choose(index, event);
        return;
      }
      edit((piece) =>
        withTimingCarried(piece, reorderLayers(piece, useEditor.getState().selection.layers, place)),
      );
    };
    target.addEventListener('pointermove', moved);
    target.addEventListener('pointerup', done);
    target.addEventListener('pointercancel', done);
  };

  /** Draws a box over the lanes and selects the keys in it; a press alone selects the stroke. */
  const boxSelect = (event: PointerEvent<HTMLElement>, index: number) => {
    if (event.button !== 0) return;
    const target = event.currentTarget;
    const origin = scroller.current!.getBoundingClientRect();
    const at = (e: { clientX: number; clientY: number }) => ({
      x: e.clientX - origin.left - HEAD_WIDTH,
      y: e.clientY - origin.top + scroller.current!.scrollTop,
    });
    const from = at(event);
    const keep = event.shiftKey ? useEditor.getState().selection.keys : [];
    let drawn: typeof box = null;
    target.setPointerCapture(event.pointerId);
    const moved = (e: globalThis.PointerEvent) => {
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
    const done = () => {
      target.removeEventListener('pointermove', moved);
      target.removeEventListener('pointerup', done);
      target.removeEventListener('pointercancel', done);
      setBox(null);
      if (!drawn) {
        choose(index, event);
        return;
      }
      const keys = [...keep, ...keysInBox(layers, drawn)];
      select({ layers: [...new Set(keys.map((key) => key.stroke))], keys });
    };
    target.addEventListener('pointermove', moved);
    target.addEventListener('pointerup', done);
    target.addEventListener('pointercancel', done);
  };

  const rowKey = (event: KeyboardEvent<HTMLElement>, index: number) => {
    if (event.target !== event.currentTarget) return;
    const up = event.key === 'ArrowUp';
    if ((up || event.key === 'ArrowDown') && !event.altKey) {
      const to = index + (up ? -1 : 1);
      if (to >= 0 && to < layers.length) {
        choose(to, event);
        focusRow(to);
      }
    } else if (event.key === ' ' || event.key === 'Enter') choose(index, event);
    else if (event.key === 'F2') setRenaming(layers[index]!.id);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const firstSelected = Math.max(
    0,
    layers.findIndex((layer) => selection.layers.includes(layer.id)),
  );
  return (
    <Root aria-label="Score" data-score>
      <Transport />
      <Body>
        <Over>
          <GridLines />
        </Over>
        <Scroller
          ref={scroller}
          role="grid"
          aria-label="Strokes in writing order"
          aria-rowcount={layers.length}
          aria-multiselectable
        >
          {layers.length === 0 && (
            <Empty>
              <span>No strokes yet. Each one you draw gets a lane here.</span>
              <Button onPress={() => useEditor.setState({ tool: 'pen', step: 'trace' })}>
                Draw with the pen
              </Button>
            </Empty>
          )}
          <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
            {rows.getVirtualItems().map(({ index }) => {
              const layer = layers[index];
              if (!layer) return null;
              const isSelected = selection.layers.includes(layer.id);
              const keys = selection.keys.some((key) => key.stroke === layer.id)
                ? selection.keys.filter((key) => key.stroke === layer.id)
                : NO_KEYS;
              return (
                <Row
                  key={layer.id}
                  role="row"
                  aria-selected={isSelected}
                  aria-rowindex={index + 1}
                  aria-label={orders[index] ? `${orders[index]} ${layer.name}` : layer.name}
                  tabIndex={index === firstSelected ? 0 : -1}
                  data-row={index}
                  style={{ transform: `translateY(${index * LANE.height}px)` }}
                  onKeyDown={(event) => rowKey(event, index)}
                >
                  <div
                    role="rowheader"
                    style={{ minWidth: 0 }}
                    onPointerDown={(event) => dragOrder(event, index)}
                    onDoubleClick={() => setRenaming(layer.id)}
                  >
                    <LaneHead
                      layer={layer}
                      order={orders[index] ?? null}
                      bound={bound.get(layer.id) ?? null}
                      renaming={renaming === layer.id}
                      onRenamed={() => setRenaming(null)}
                    />
                  </div>
                  <div
                    role="gridcell"
                    style={{ overflow: 'hidden' }}
                    onPointerDown={(event) => boxSelect(event, index)}
                  >
                    {layer.type === 'stroke' ? (
                      <Lane stroke={layer} length={length} isSelected={isSelected} keys={keys} />
                    ) : (
                      <ArtLane layer={layer} length={length} />
                    )}
                  </div>
                </Row>
              );
            })}
            <OverLanes>
              <CueThreads layers={layers} />
              {selection.keys.length > 1 && <RetimeBox keys={selection.keys} />}
            </OverLanes>
            {dropAt !== null && <DropLine style={{ top: dropAt * LANE.height - 1 }} />}
            {box && (
              <Box
                style={{
                  left: box.left + HEAD_WIDTH,
                  top: box.top,
                  width: box.right - box.left,
                  height: box.bottom - box.top,
                }}
              />
            )}
          </div>
        </Scroller>
        <Over>
          <PlayheadLine />
        </Over>
        <Foot>
          <Ruler />
        </Foot>
      </Body>
    </Root>
  );
}
