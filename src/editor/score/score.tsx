'use client';
import { useEffect, useMemo, useRef, useState, type CSSProperties } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyRef } from '@/core/document';
import { Button, openContextMenu } from '@/ui';
import { selectForMenu, selectionEntries } from '../menus';
import { selectedStrokes, useEditor } from '../state';
import { CueThreads } from './cue-threads';
import { DragWords } from './drag-words';
import { GroupHead, LaneHead, PartHead } from './lane-head';
import { LaneHeights } from './lane-heights';
import { InkChart, MarkerLines, Moments } from './moments';
import { RetimeBox } from './retime-box';
import { isRowOpen, layersOfRow, rowsOf, turnOf, useRows, type Row } from './rows';
import { PlayheadLine, Ruler } from './ruler';
import { rowGestures } from './row-gestures';
import { rowKeys } from './row-keys';
import { RowLane } from './row-lane';
import { SpreadHandle } from './spread-handle';
import { fitTime, recallLanes, scrollTime, useTimeScale, zoomTime } from './time-scale';
import { Transport } from './transport';
import {
  HEAD_WIDTH,
  RULER_HEIGHT,
  Root,
  Body,
  Scroller,
  Over,
  Foot,
  FootHead,
  RowBox,
  Empty,
  DropLine,
  Box,
  OverLanes,
  GridLines,
} from './score-frame';
import { partName } from '../properties';
import { type Bounds, boundWords } from './key-box';

const NO_KEYS: readonly KeyRef[] = [];

const rowName = (row: Row): string =>
  row.kind === 'group'
    ? `Group ${row.group.name}`
    : row.kind === 'part'
      ? `${row.owner.name}, ${partName(row.owner.keyed, row.part).toLowerCase()}`
      : row.order
        ? `${row.order} ${row.layer.name}`
        : row.layer.name;

/** The lanes: every stroke of the piece over time, in writing order, with the art that lies between them. */
export function Score() {
  const layers = useEditor((s) => s.piece.layers);
  const groups = useEditor((s) => s.piece.groups);
  const open = useRows();
  const pins = useEditor((s) => s.piece.pins);
  const drawings = useEditor((s) => s.piece.drawings);
  const rows = useMemo(
    () => rowsOf({ layers, groups, pins, ...(drawings !== undefined && { drawings }) }, open),
    [layers, groups, pins, drawings, open],
  );
  const bound = useMemo(() => boundWords(layers), [layers]);
  const length = useEditor((s) => s.piece.length);
  const lane = useTimeScale((s) => s.lane);
  const selection = useEditor((s) => s.selection);
  const scroller = useRef<HTMLDivElement>(null);
  /** The row that has the focus as soon as it is made: keys until then are its own. */
  const onItsWay = useRef<number | null>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [dropAt, setDropAt] = useState<number | null>(null);
  const [box, setBox] = useState<Bounds | null>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => lane,
    overscan: 2,
  });

  useEffect(recallLanes, []);
  // Heights that were reckoned are those of before.
  useEffect(() => virtual.measure(), [lane, virtual]);

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

  const rowAt = (index: number) => scroller.current?.querySelector<HTMLElement>(`[data-row="${index}"]`);
  const focusRow = (index: number) => {
    // At once where the row is there, so that the next key is its own however soon it comes.
    const row = rowAt(index);
    row?.focus({ preventScroll: true });
    virtual.scrollToIndex(index);
    if (row) return;
    onItsWay.current = index;
    requestAnimationFrame(() => {
      rowAt(index)?.focus();
      onItsWay.current = null;
    });
  };
  const { choose, dragOrder, boxSelect } = rowGestures({ rows, layers, scroller, setDropAt, setBox });

  const isOpen = (row: Row): boolean => isRowOpen(row, open);
  const rowKey = rowKeys({ rows, open, choose, focusRow, setRenaming });

  const isChosen = (row: Row): boolean => {
    const ids = layersOfRow(row);
    return ids.length > 0 && ids.every((id) => selection.layers.includes(id));
  };
  const firstSelected = Math.max(0, rows.findIndex(isChosen));
  const inView = (row: number): boolean => {
    const [top, height] = [virtual.scrollOffset ?? 0, virtual.scrollRect?.height ?? 0];
    return row * lane >= top - 1 && (row + 1) * lane <= top + height + 1;
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
          data-lanes
          // Rows look after their own presses; what is left is the room below them.
          onPointerDown={(event) => event.target === event.currentTarget && boxSelect(event, null)}
        >
          {layers.length === 0 && (
            <Empty>
              <span>No strokes yet. Each one you draw gets a lane here.</span>
              <Button onPress={() => useEditor.setState({ tool: 'pen', step: 'trace' })}>
                Draw with the pen
              </Button>
            </Empty>
          )}
          <div
            style={
              { height: virtual.getTotalSize(), position: 'relative', '--lane': `${lane}px` } as CSSProperties
            }
          >
            <div
              // A grid without rows is none.
              {...(rows.length > 0 && { role: 'treegrid', 'aria-multiselectable': true })}
              aria-label={rows.length > 0 ? 'Strokes in writing order' : undefined}
              aria-rowcount={rows.length > 0 ? rows.length : undefined}
            >
              {virtual.getVirtualItems().map(({ index }) => {
                const row = rows[index];
                if (!row) return null;
                const { owner } = row;
                const isSelected = isChosen(row);
                const keys = selection.keys.some((key) => key.stroke === owner.id)
                  ? selection.keys.filter((key) => key.stroke === owner.id)
                  : NO_KEYS;
                const turn = turnOf(row);
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
                    style={{ transform: `translateY(${index * lane}px)` }}
                    onKeyDown={(event) => rowKey(event, onItsWay.current ?? index)}
                    onContextMenu={(event) => {
                      selectForMenu(layersOfRow(row));
                      openContextMenu(event, `More about ${rowName(row)}`, selectionEntries());
                    }}
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
                          partsOpen={open.opened.includes(owner.id)}
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
                      <RowLane
                        row={row}
                        length={length}
                        isSelected={isSelected}
                        isOpen={isOpen(row)}
                        keys={keys}
                      />
                    </div>
                  </RowBox>
                );
              })}
            </div>
            <OverLanes>
              <CueThreads rows={rows} />
              {selection.keys.length > 1 && <RetimeBox keys={selection.keys} rows={rows} />}
              {spreading && (
                <SpreadHandle strokes={selectedStrokes(useEditor.getState())} rows={rows} inView={inView} />
              )}
            </OverLanes>
            {dropAt !== null && <DropLine style={{ top: dropAt * lane - 1 }} />}
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
        <FootHead>
          <LaneHeights />
          <span aria-hidden>
            markers, work range
            <br />
            ink on screen
          </span>
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
