'use client';
import { memo, useEffect, useRef } from 'react';
import styled from 'styled-components';
import { framesPerSecond, timecode } from '@/core/timing';
import { followPointer, nudgeKeys } from '@/ui';
import { useAhead } from '../canvas';
import { setScrubbing, showFrame, useEditor } from '../state';
import { frameAt, useTimeScale, xOf } from './time-scale';

const Strip = styled.div`
  position: relative;
  height: 20px;
  overflow: hidden;
  cursor: ew-resize;
  touch-action: none;
  color: var(--quiet);
  font-size: 11px;
  span {
    position: absolute;
    top: 2px;
    padding-left: 4px;
    border-left: 1px solid var(--rule);
    white-space: nowrap;
    height: 20px;
  }
`;

/** Least distance of two labels, px. */
const APART = 62;

/** Steps of the ruler in frames, from single frames over seconds to minutes, the first that leaves room for labels. */
function rulerStep(pixelsPerFrame: number, fps: number): { frames: number; inSeconds: boolean } {
  for (const frames of [1, 2, 5, 10]) {
    if (frames < fps && frames * pixelsPerFrame >= APART) return { frames, inSeconds: false };
  }
  for (const seconds of [1, 2, 5, 10, 30, 60, 300, 600]) {
    if (seconds * fps * pixelsPerFrame >= APART) return { frames: seconds * fps, inSeconds: true };
  }
  return { frames: 3600 * fps, inSeconds: true };
}

/** The moments that the ruler marks. */
export function useRulerTicks(): { frame: number; x: number; text: string }[] {
  const scale = useTimeScale();
  const rate = useEditor((s) => s.piece.rate);
  const length = useEditor((s) => s.piece.length);
  const fps = framesPerSecond(rate);
  const step = rulerStep(scale.pixelsPerFrame, fps);
  const first = Math.max(0, Math.floor(scale.left / step.frames));
  const last = Math.min(length - 1, frameAt(scale, scale.width));
  const marks = [];
  for (let i = first; i * step.frames <= last; i++) {
    const frame = i * step.frames;
    const text = step.inSeconds ? `${Math.round(frame / fps)} s` : `${frame} fr`;
    marks.push({ frame, x: xOf(scale, frame), text });
  }
  return marks;
}

const scrub = (strip: HTMLElement, event: { clientX: number }): void => {
  const box = strip.getBoundingClientRect();
  showFrame(frameAt(useTimeScale.getState(), event.clientX - box.left));
};

const Kept = styled.i`
  position: absolute;
  bottom: 0;
  height: 2px;
  background: var(--tail);
  pointer-events: none;
`;

/** Which frames are kept painted: those from the first of the range on. */
function PaintedAhead() {
  const scale = useTimeScale();
  const frames = useAhead((s) => s.frames);
  const first = frames.keys().next().value;
  if (first === undefined) return null;
  const [left, right] = [xOf(scale, first), xOf(scale, first + frames.size)];
  return <Kept data-ahead={frames.size} style={{ left, width: right - left }} />;
}

/** Time in seconds or frames; press or drag to show a moment. */
export const Ruler = memo(function Ruler() {
  const ticks = useRulerTicks();
  const frame = useEditor((s) => s.frame);
  const length = useEditor((s) => s.piece.length);
  const rate = useEditor((s) => s.piece.rate);
  return (
    <Strip
      role="slider"
      aria-label="Playhead"
      aria-valuemin={0}
      aria-valuemax={length - 1}
      aria-valuenow={frame}
      aria-valuetext={`frame ${Math.round(frame)}, ${timecode(Math.round(frame), rate)}`}
      tabIndex={0}
      data-ruler
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        const { frame: before } = useEditor.getState();
        const strip = event.currentTarget;
        setScrubbing(true);
        followPointer(event, {
          move: (now) => scrub(strip, now),
          cancel: () => showFrame(before),
          ended: () => setScrubbing(false),
        });
        scrub(strip, event);
      }}
      onKeyDown={nudgeKeys({ about: (x, y) => showFrame(frame + x + y) })}
    >
      <PaintedAhead />
      {ticks.map((mark) => (
        <span key={mark.frame} style={{ left: mark.x }}>
          {mark.text}
        </span>
      ))}
    </Strip>
  );
});

const Line = styled.div`
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
  width: 1.5px;
  margin-left: -0.75px;
  background: var(--text);
  pointer-events: none;
  z-index: 2;
  &::before {
    content: '';
    position: absolute;
    top: 0;
    left: -4.5px;
    border: 5px solid transparent;
    border-top: 7px solid var(--text);
    border-bottom: 0;
  }
`;

/** The playhead over the lanes; it follows every frame without React. */
export function PlayheadLine() {
  const line = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const place = () => {
      const scale = useTimeScale.getState();
      const x = xOf(scale, useEditor.getState().frame);
      line.current!.style.transform = `translateX(${x}px)`;
      line.current!.style.visibility = x < -1 || x > scale.width + 1 ? 'hidden' : 'visible';
    };
    place();
    const ends = [useEditor.subscribe(place), useTimeScale.subscribe(place)];
    return () => ends.forEach((end) => end());
  }, []);
  return <Line ref={line} data-playhead />;
}
