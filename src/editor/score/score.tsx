'use client';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import styled from 'styled-components';
import {
  joinedWhereTheyStand,
  keysAt,
  layersOf,
  reorderLayers,
  withTimingCarried,
  type KeyRef,
  type Layer,
  type Piece,
} from '@/core/document';
import { Button } from '@/ui';
import { edit, select, selectedStrokes, useEditor } from '../state';
import { CueThreads } from './cue-threads';
import { DragWords } from './drag-words';
import { LANE, laneY } from './envelope';
import { StillLane, Lane } from './lane';
import { GroupHead, LaneHead, PartHead } from './lane-head';
import { InkChart, MarkerLines, Moments } from './moments';
import { PartLane } from './part-lane';
import { RetimeBox } from './retime-box';
import { layersOfRow, rowsOf, setCollapsed, setOpened, useRows, type Row } from './rows';
import { PlayheadLine, Ruler, useRulerMarks } from './ruler';
import { SpreadHandle } from './spread-handle';
import { fitTime, scrollTime, useTimeScale, xOf, zoomTime } from './time-scale';
import { Transport } from './transport';

export const HEAD_WIDTH = 244;
const RULER_HEIGHT = 22;
const FOOT_HEIGHT = RULER_HEIGHT + 18;

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
  inset: 0 0 ${FOOT_HEIGHT}px 0;
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
  height: ${FOOT_HEIGHT}px;
  background: var(--ground);
`;
const FootHead = styled.div`
  position: absolute;
  left: 0;
  width: ${HEAD_WIDTH}px;
  bottom: 0;
  height: ${FOOT_HEIGHT}px;
  padding: 0 12px 3px;
  display: grid;
  justify-items: end;
  align-content: space-evenly;
  border-top: 1px solid var(--rule);
  background: var(--ground);
  color: var(--quiet);
  font-size: 11px;
  line-height: 16px;
`;
const RowBox = styled.div`
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

interface Bounds {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Keys inside a box given in pixels of the lanes. */
function keysInBox(piece: Piece, rows: readonly Row[], box: Bounds): KeyRef[] {
  const scale = useTimeScale.getState();
  return rows.flatMap((row, i) => {
    const top = i * LANE.height;
    if (top > box.bottom || top + LANE.height < box.top) return [];
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
          row.kind === 'part' || !window ? null : top + laneY(window(key.frame)[part as 'head' | 'tail']);
        const inside = x >= box.left && x <= box.right && (y === null || (y >= box.top && y <= box.bottom));
        return inside ? [{ stroke: owner.id, part, index }] : [];
      }),
    );
  });
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

const rowName = (row: Row): string =>
  row.kind === 'group'
    ? `Group ${row.group.name}`
    : row.kind === 'part'
      ? `${row.owner.name}, ${row.part}`
      : row.order
        ? `${row.order} ${row.layer.name}`
        : row.layer.name;

/** The lanes: every stroke of the piece over time, in writing order, with the art that lies between them. */
export function Score() {
  const layers = useEditor((s) => s.piece.layers);
  const groups = useEditor((s) => s.piece.groups);
  const open = useRows();
  const rows = useMemo(() => rowsOf({ layers, groups }, open), [layers, groups, open]);
  const bound = useMemo(() => boundWords(layers), [layers]);
  const length = useEditor((s) => s.piece.length);
  const selection = useEditor((s) => s.selection);
  const scroller = useRef<HTMLDivElement>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [dropAt, setDropAt] = useState<number | null>(null);
  const [box, setBox] = useState<Bounds | null>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => LANE.height,
    overscan: 2,
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
    virtual.scrollToIndex(index);
    requestAnimationFrame(() =>
      scroller.current?.querySelector<HTMLElement>(`[data-row="${index}"]`)?.focus(),
    );
  };
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
    const own = layers.findIndex((layer) => layer.id === id);
    return at.kind === 'part' ? own + 1 : own;
  };

  /** Drags strokes to another place in the writing order. */
  const dragOrder = (event: PointerEvent<HTMLElement>, index: number) => {
    if (event.button !== 0) return;
    const target = event.currentTarget;
    const chosen = useEditor.getState().selection.layers;
    const ids = layersOfRow(rows[index]!);
    const already =
      ids.every((id) => chosen.includes(id)) && !event.shiftKey && !event.ctrlKey && !event.metaKey;
    if (!already) choose(index, event);
    const from = event.clientY;
    let to: number | null = null;
    target.setPointerCapture(event.pointerId);
    const moved = (e: globalThis.PointerEvent) => {
      if (to === null && Math.abs(e.clientY - from) < 5) return;
      const top = scroller.current!.getBoundingClientRect().top - scroller.current!.scrollTop;
      to = Math.max(0, Math.min(rows.length, Math.round((e.clientY - top) / LANE.height)));
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
      const moving = useEditor.getState().selection.layers;
      const before = layerIndexAt(place);
      edit((piece) =>
        withTimingCarried(piece, joinedWhereTheyStand(reorderLayers(piece, moving, before), moving)),
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
    let drawn: Bounds | null = null;
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
      const { piece } = useEditor.getState();
      const keys = [...keep, ...keysInBox(piece, rows, drawn)];
      const ids = keys.flatMap(({ stroke }) => layersOf(piece, stroke));
      select({ layers: [...new Set(ids)], keys });
    };
    target.addEventListener('pointermove', moved);
    target.addEventListener('pointerup', done);
    target.addEventListener('pointercancel', done);
  };

  /** Opens or closes what lies under a row; null where nothing does. */
  const opening = (row: Row): ((to: boolean) => void) | null => {
    if (row.kind === 'group') return (to) => setCollapsed(row.group.id, !to);
    return row.kind === 'layer' && row.parts.length > 0 ? (to) => setOpened(row.owner.id, to) : null;
  };
  const isOpen = (row: Row): boolean =>
    row.kind === 'group'
      ? !open.collapsed.includes(row.group.id)
      : row.kind === 'layer' && open.opened.includes(row.layer.id);

  const rowKey = (event: KeyboardEvent<HTMLElement>, index: number) => {
    if (event.target !== event.currentTarget) return;
    const row = rows[index]!;
    const up = event.key === 'ArrowUp';
    const turn = opening(row);
    if ((up || event.key === 'ArrowDown') && !event.altKey) {
      const to = index + (up ? -1 : 1);
      if (to >= 0 && to < rows.length) {
        choose(to, event);
        focusRow(to);
      }
    } else if (event.key === 'ArrowRight' && turn && !isOpen(row)) turn(true);
    else if (event.key === 'ArrowLeft' && turn && isOpen(row)) turn(false);
    else if (event.key === ' ' || event.key === 'Enter') choose(index, event);
    else if (event.key === 'F2' && row.kind !== 'part') setRenaming(row.key);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const isChosen = (row: Row): boolean => layersOfRow(row).every((id) => selection.layers.includes(id));
  const firstSelected = Math.max(0, rows.findIndex(isChosen));
  const inView = (row: number): boolean => {
    const [top, height] = [virtual.scrollOffset ?? 0, virtual.scrollRect?.height ?? 0];
    return row * LANE.height >= top - 1 && (row + 1) * LANE.height <= top + height + 1;
  };
  const spreading = selection.keys.length === 0 && selection.layers.length > 1;
  return (
    <Root aria-label="Score" data-score>
      <Transport />
      <Body>
        <Over>
          <GridLines />
          <MarkerLines />
        </Over>
        <Scroller
          ref={scroller}
          role="treegrid"
          aria-label="Strokes in writing order"
          aria-rowcount={rows.length}
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
          <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
            {virtual.getVirtualItems().map(({ index }) => {
              const row = rows[index];
              if (!row) return null;
              const { owner } = row;
              const isSelected = isChosen(row);
              const keys = selection.keys.some((key) => key.stroke === owner.id)
                ? selection.keys.filter((key) => key.stroke === owner.id)
                : NO_KEYS;
              const turn = opening(row);
              return (
                <RowBox
                  key={row.key}
                  role="row"
                  aria-selected={isSelected}
                  aria-rowindex={index + 1}
                  aria-level={row.depth + (row.kind === 'part' ? 2 : 1)}
                  {...(turn && { 'aria-expanded': isOpen(row) })}
                  aria-label={rowName(row)}
                  tabIndex={index === firstSelected ? 0 : -1}
                  data-row={index}
                  style={{ transform: `translateY(${index * LANE.height}px)` }}
                  onKeyDown={(event) => rowKey(event, index)}
                >
                  <div
                    role="rowheader"
                    style={{ minWidth: 0 }}
                    onPointerDown={(event) => dragOrder(event, index)}
                    onDoubleClick={() => row.kind !== 'part' && setRenaming(row.key)}
                  >
                    {row.kind === 'group' ? (
                      <GroupHead
                        group={row.group}
                        members={row.members}
                        depth={row.depth}
                        parts={row.parts.length}
                        partsOpen={open.opened.includes(row.group.id)}
                        isOpen={isOpen(row)}
                        renaming={renaming === row.key}
                        onRenamed={() => setRenaming(null)}
                      />
                    ) : row.kind === 'part' ? (
                      <PartHead owner={owner} part={row.part} depth={row.depth} />
                    ) : (
                      <LaneHead
                        layer={row.layer}
                        order={row.order}
                        bound={bound.get(row.layer.id) ?? null}
                        depth={row.depth}
                        led={owner.led}
                        parts={row.parts.length}
                        isOpen={isOpen(row)}
                        renaming={renaming === row.key}
                        onRenamed={() => setRenaming(null)}
                      />
                    )}
                  </div>
                  <div
                    role="gridcell"
                    style={{ overflow: 'hidden' }}
                    onPointerDown={(event) => boxSelect(event, index)}
                  >
                    <RowLane row={row} length={length} isSelected={isSelected} keys={keys} />
                  </div>
                </RowBox>
              );
            })}
            <OverLanes>
              <CueThreads rows={rows} />
              {selection.keys.length > 1 && <RetimeBox keys={selection.keys} rows={rows} />}
              {spreading && (
                <SpreadHandle strokes={selectedStrokes(useEditor.getState())} rows={rows} inView={inView} />
              )}
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
        <FootHead aria-hidden>
          <span>markers, work range</span>
          <span>ink on screen</span>
        </FootHead>
        <Foot>
          <Moments />
          <div style={{ position: 'relative', height: RULER_HEIGHT }}>
            <InkChart height={RULER_HEIGHT} />
            <Ruler />
          </div>
        </Foot>
        <Over>
          <PlayheadLine />
          <DragWords />
        </Over>
      </Body>
    </Root>
  );
}

/** What a row shows over time. */
function RowLane({
  row,
  length,
  isSelected,
  keys,
}: {
  row: Row;
  length: number;
  isSelected: boolean;
  keys: readonly KeyRef[];
}) {
  const { owner } = row;
  const part = row.kind === 'part' ? row.part : owner.lead;
  if (part && (row.kind === 'part' || !owner.window))
    return <PartLane owner={owner} part={part} length={length} isSelected={isSelected} keys={keys} />;
  return owner.window ? (
    <Lane owner={owner} length={length} isSelected={isSelected} keys={keys} />
  ) : (
    <StillLane owner={owner} length={length} isGroup={row.kind === 'group'} />
  );
}
