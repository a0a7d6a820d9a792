'use client';
import { memo, useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import styled from 'styled-components';
import { cutName, moveMarker, putMarker, removeMarker, setWorkRange, type Marker } from '@/core/document';
import { clamp } from '@/core/numbers';
import { inkOverTime, spreadFrames } from '@/core/scene';
import { keepEvent, nudgeKeys } from '@/ui';
import { edit, editFromBase, showFrame, useCalm, useEditor } from '../state';
import { dragFrames } from './drag';
import { frameAt, useTimeScale, xOf } from './time-scale';

/** The chart is read at so many moments at most. */
const MOMENTS = 600;

/** How much ink is on screen, from the first frame to the last. */
export const InkChart = memo(function InkChart({ height }: { height: number }) {
  const scale = useTimeScale();
  const layers = useCalm((s) => s.piece.layers);
  const length = useCalm((s) => s.piece.length);
  const moments = Math.min(MOMENTS, length);
  const ink = useMemo(() => inkOverTime({ layers, length }, moments), [layers, length, moments]);
  const most = Math.max(1, ...ink);
  if (moments < 2) return null;
  const points = spreadFrames(length, moments).map((frame, i) => {
    const [x, value] = [xOf(scale, frame), ink[i]!];
    return `${x.toFixed(1)} ${(height - 1 - (value / most) * (height - 3)).toFixed(1)}`;
  });
  const path = `M${xOf(scale, 0).toFixed(1)} ${height}L${points.join('L')}L${xOf(scale, length - 1).toFixed(1)} ${height}Z`;
  return (
    <svg
      width={scale.width}
      height={height}
      role="img"
      aria-label={`Ink on screen over time, at most ${Math.round(most)} pixels of path`}
      style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}
      data-ink-chart
    >
      <path d={path} fill="var(--head)" fillOpacity={0.16} stroke="var(--head)" strokeOpacity={0.45} />
    </svg>
  );
});

const Strip = styled.div`
  position: relative;
  height: 25px;
  overflow: hidden;
  border-top: 1px solid var(--rule);
  touch-action: none;
`;
const Flag = styled.div`
  position: absolute;
  top: 0;
  height: 24px;
  min-width: 24px;
  padding: 0 9px 0 6px;
  border-left: 2px solid var(--tail);
  border-radius: 0 12px 12px 0;
  background: color-mix(in srgb, var(--tail) 26%, var(--panel));
  font-size: 11px;
  line-height: 24px;
  white-space: nowrap;
  cursor: ew-resize;
  outline-offset: -1px;
  input {
    width: 90px;
    height: 14px;
    padding: 0;
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    outline: none;
  }
`;
const Range = styled.div`
  position: absolute;
  top: 9px;
  height: 6px;
  border-radius: 3px;
  background: color-mix(in srgb, var(--text) 26%, transparent);
  cursor: grab;
`;
const RangeEnd = styled.div`
  position: absolute;
  top: 0;
  width: 24px;
  height: 24px;
  margin-left: -12px;
  /* What is seen of it is narrower than what can be taken hold of. */
  background: linear-gradient(90deg, transparent 8.5px, var(--quiet) 8.5px 15.5px, transparent 15.5px) 0 5px /
    100% 14px no-repeat;
  cursor: ew-resize;
  outline-offset: 1px;
`;

/** One marker: dragged along, renamed where it stands, taken out with Delete. */
function MarkerFlag({ marker }: { marker: Marker }) {
  const scale = useTimeScale();
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    const name = typed?.trim();
    if (name && name !== marker.name) edit((p) => putMarker(p, { ...marker, name: cutName(name) }));
    setTyped(null);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (typed !== null) return;
    const nudged = nudgeKeys({
      along: (by) => edit((p) => moveMarker(p, marker.frame, marker.frame + by), 'marker'),
      remove: () => edit((p) => removeMarker(p, marker.frame)),
    })(event);
    if (nudged) return;
    if (event.key === 'F2') setTyped(marker.name);
    else if (event.key === 'Enter') showFrame(marker.frame);
    else return;
    keepEvent(event);
  };
  return (
    <Flag
      role="slider"
      tabIndex={0}
      aria-label={`Marker ${marker.name}`}
      aria-valuenow={marker.frame}
      aria-valuetext={`frame ${marker.frame}`}
      title={`${marker.name} · frame ${marker.frame}. Drag; double-click to rename; Delete takes it out`}
      data-marker={marker.frame}
      style={{ left: xOf(scale, marker.frame) }}
      onPointerDown={(event: PointerEvent<HTMLElement>) => {
        if (event.button !== 0 || typed !== null) return;
        event.stopPropagation();
        event.currentTarget.focus();
        dragFrames(event, [marker.frame], [], (by) =>
          editFromBase((p) => moveMarker(p, marker.frame, marker.frame + by)),
        );
      }}
      onDoubleClick={(event) => {
        event.stopPropagation();
        setTyped(marker.name);
      }}
      onKeyDown={onKeyDown}
    >
      {typed === null ? (
        marker.name
      ) : (
        <input
          aria-label="Name of the marker"
          value={typed}
          autoFocus
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => setTyped(event.currentTarget.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') take();
            if (event.key === 'Escape') setTyped(null);
            event.stopPropagation();
          }}
        />
      )}
    </Flag>
  );
}

const NAMES = { from: 'First frame of the work range', to: 'Last frame of the work range' } as const;

function WorkRange({ from, to }: { from: number; to: number }) {
  const scale = useTimeScale();
  const length = useEditor((s) => s.piece.length);
  const moved = (end: 'from' | 'to', frame: number) => {
    const at = clamp(frame, 0, length - 1);
    return end === 'from' ? { from: Math.min(at, to - 1), to } : { from, to: Math.max(at, from + 1) };
  };
  return (
    <>
      <Range
        title="Work range: these frames are played. Drag to move it; double-click takes it away"
        data-work-range
        style={{ left: xOf(scale, from), width: (to - from) * scale.pixelsPerFrame }}
        onPointerDown={(event: PointerEvent<HTMLElement>) => {
          if (event.button !== 0) return;
          event.stopPropagation();
          dragFrames(event, [from, to], [], (raw) => {
            const by = Math.max(-from, Math.min(length - 1 - to, raw));
            editFromBase((p) => setWorkRange(p, { from: from + by, to: to + by }));
          });
        }}
        onDoubleClick={(event) => {
          event.stopPropagation();
          edit((p) => setWorkRange(p, null));
        }}
      />
      {(['from', 'to'] as const).map((end) => {
        const frame = end === 'from' ? from : to;
        return (
          <RangeEnd
            key={end}
            role="slider"
            tabIndex={0}
            aria-label={NAMES[end]}
            aria-valuenow={frame}
            aria-valuetext={`frame ${frame}`}
            title={NAMES[end]}
            style={{ left: xOf(scale, frame) }}
            onPointerDown={(event: PointerEvent<HTMLElement>) => {
              if (event.button !== 0) return;
              event.stopPropagation();
              dragFrames(event, [frame], [], (by) =>
                editFromBase((p) => setWorkRange(p, moved(end, frame + by))),
              );
            }}
            onKeyDown={nudgeKeys({
              along: (by) => edit((p) => setWorkRange(p, moved(end, frame + by)), 'work range'),
              remove: () => edit((p) => setWorkRange(p, null)),
            })}
          />
        );
      })}
    </>
  );
}

/** Moments with names, and the frames that are played while working. Drag over its empty part for a range; double-click for a marker. */
export const Moments = memo(function Moments() {
  const markers = useEditor((s) => s.piece.markers);
  const workRange = useEditor((s) => s.piece.workRange);
  const length = useEditor((s) => s.piece.length);
  const at = (event: PointerEvent<HTMLElement> | React.MouseEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const frame = Math.round(frameAt(useTimeScale.getState(), event.clientX - box.left));
    return clamp(frame, 0, length - 1);
  };
  return (
    <Strip
      role="group"
      aria-label="Markers and work range"
      title="Double-click for a marker; drag for a work range"
      data-moments
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        const from = at(event);
        dragFrames(event, [from], [], (by) => {
          const to = clamp(from + by, 0, length - 1);
          if (to !== from)
            editFromBase((p) => setWorkRange(p, { from: Math.min(from, to), to: Math.max(from, to) }));
        });
      }}
      onDoubleClick={(event) => {
        const frame = at(event);
        edit((p) => putMarker(p, { frame, name: `Marker ${p.markers.length + 1}` }));
      }}
    >
      {workRange && <WorkRange {...workRange} />}
      {/* By their place: a marker that is dragged keeps its element while its frame changes. */}
      {markers.map((marker, i) => (
        <MarkerFlag key={i} marker={marker} />
      ))}
    </Strip>
  );
});

const Line = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: color-mix(in srgb, var(--tail) 70%, transparent);
`;

/** Where markers stand, over the lanes. */
export const MarkerLines = memo(function MarkerLines() {
  const scale = useTimeScale();
  const markers = useEditor((s) => s.piece.markers);
  return markers.map((marker) => <Line key={marker.frame} style={{ left: xOf(scale, marker.frame) }} />);
});
