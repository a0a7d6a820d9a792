'use client';
import { useEffect, useMemo, useRef } from 'react';
import styled from 'styled-components';
import { isArtwork, type Piece } from '@/core/document';
import { artItems, evaluate, sameItems, type DrawList } from '@/core/scene';
import { paint } from '@/core/paint';
import { newCanvas } from '@/workers/new-canvas';
import {
  endColourPick,
  shownPiece,
  useColourPick,
  useEditor,
  useLooseEnds,
  useMaskInHand,
  useTools,
  type EditorState,
  type Tool,
} from '../state';
import { ground } from './ground';
import { onionItems } from './onion';
import { paintOverlay } from './overlay';
import { takeDropped } from '../importing';
import { useProof } from '../proof/proof-state';
import { useCovering } from '../reveal/cover-state';
import { useTracing } from '../tracing/trace-state';
import {
  finishDrawing,
  freehandTool,
  handTool,
  orderTool,
  penTool,
  selectTool,
  shapeTool,
  type CanvasTool,
  type PointerInput,
} from './tools';
import { onUnderlayLoaded, underlayImage } from './underlay-images';
import { fit, panBy, toPiece, useView, zoomBy, type View } from './view';

const Stage = styled.div`
  position: absolute;
  inset: 0;
  overflow: hidden;
  outline: none;
  touch-action: none;
  canvas {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  &:focus-visible::after {
    content: '';
    position: absolute;
    inset: 2px;
    border: 2px solid var(--head);
    border-radius: 4px;
    pointer-events: none;
  }
`;

/** What strokes follow, without the strokes. */
const artAlone = (piece: Piece): DrawList => ({
  ...piece.size,
  items: piece.layers.flatMap((layer) => (isArtwork(layer) ? artItems(layer) : [])),
});

const DOUBLE_MS = 350;

/** Where the piece is seen and its strokes are made: the picture below, what helps to work on it above. */
export function CanvasStage() {
  const stage = useRef<HTMLDivElement>(null);
  const picture = useRef<HTMLCanvasElement>(null);
  const overlay = useRef<HTMLCanvasElement>(null);
  const tools = useMemo<Record<Tool, CanvasTool>>(
    () => ({
      select: selectTool(),
      pen: penTool(),
      freehand: freehandTool(),
      shape: shapeTool(),
      order: orderTool(),
      hand: handTool(),
    }),
    [],
  );

  useEffect(() => {
    const element = stage.current!;
    const context = picture.current!.getContext('2d', { willReadFrequently: false })!;
    const above = overlay.current!.getContext('2d')!;
    let asked = 0;
    let spaceHeld = false;
    let pressed: CanvasTool | null = null;
    let lastDown = { at: 0, x: 0, y: 0 };

    /** What the picture shows, so that it is painted anew only when that changes. */
    let shown: { list: DrawList; key: string } | null = null;
    const paintPicture = (state: EditorState, view: View, ratio: number) => {
      const { frame, onion } = state;
      const piece = shownPiece(state);
      const now = state.linesOnly ? artAlone(piece) : evaluate(piece, frame);
      const faint = onion.shown && !state.playing && !state.linesOnly ? onionItems(piece, frame, onion) : [];
      const list = faint.length > 0 ? { ...now, items: [...faint, ...now.items] } : now;
      const shownUnderlays = piece.underlays.filter((underlay) => !underlay.hidden && underlay.opacity > 0);
      const images = shownUnderlays.map(underlayImage);
      const { width, height } = picture.current!;
      const key = [
        view.x,
        view.y,
        view.zoom,
        ratio,
        width,
        height,
        piece.over,
        list.width,
        list.height,
        ...shownUnderlays.map((u, i) => [u.asset, u.x, u.y, u.scale, u.opacity, images[i] !== null].join()),
      ].join();
      if (shown?.key === key && sameItems(shown.list, list)) return;
      shown = { list, key };
      const [x, y, zoom] = [view.x * ratio, view.y * ratio, view.zoom * ratio];
      const [w, h] = [list.width * zoom, list.height * zoom];
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.clearRect(0, 0, width, height);
      ground(context, x, y, w, h, piece.over);
      shownUnderlays.forEach((u, i) => {
        const image = images[i];
        if (!image) return;
        context.globalAlpha = u.opacity;
        const k = u.scale * zoom;
        context.drawImage(image, x + u.x * zoom, y + u.y * zoom, u.width * k, u.height * k);
        context.globalAlpha = 1;
      });
      context.save();
      context.beginPath();
      context.rect(x, y, w, h);
      context.clip();
      context.translate(x, y);
      paint(list, context, newCanvas, zoom);
      context.restore();
    };

    const draw = () => {
      asked = 0;
      const state = useEditor.getState();
      const view = useView.getState();
      const ratio = window.devicePixelRatio || 1;
      const { width, height } = view.viewport;
      for (const canvas of [picture.current!, overlay.current!]) {
        const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
        if (canvas.width !== w || canvas.height !== h) {
          [canvas.width, canvas.height] = [w, h];
          shown = null;
        }
      }
      paintPicture(state, view, ratio);
      above.setTransform(ratio, 0, 0, ratio, 0, 0);
      above.clearRect(0, 0, width, height);
      paintOverlay(above, view, state, tools[state.tool].marks());
      element.dataset.frame = String(state.frame);
      element.style.cursor = useColourPick.getState().take
        ? 'crosshair'
        : (pressed ?? (spaceHeld ? tools.hand : tools[state.tool])).cursor();
    };
    const ask = () => {
      asked ||= requestAnimationFrame(draw);
    };

    const inputOf = (event: PointerEvent): PointerInput => {
      const box = element.getBoundingClientRect();
      const screen = { x: event.clientX - box.left, y: event.clientY - box.top };
      const double =
        event.type === 'pointerdown' &&
        event.timeStamp - lastDown.at < DOUBLE_MS &&
        Math.hypot(screen.x - lastDown.x, screen.y - lastDown.y) < 5;
      return {
        screen,
        point: toPiece(useView.getState(), screen),
        shift: event.shiftKey,
        alt: event.altKey,
        double,
        // A mouse reports half a pressure while a button is down; so do devices that know none.
        pressure: event.pointerType === 'pen' ? event.pressure : 0.5,
        tiltX: event.tiltX,
        tiltY: event.tiltY,
        time: event.timeStamp,
      };
    };
    const down = (event: PointerEvent) => {
      if (event.button > 1) return;
      element.focus({ preventScroll: true });
      // A pen that is replayed has no pointer to capture.
      if (event.isTrusted) element.setPointerCapture(event.pointerId);
      const { take } = useColourPick.getState();
      if (take) {
        const ratio = window.devicePixelRatio || 1;
        const { x, y } = inputOf(event).screen;
        const [r, g, b] = context.getImageData(Math.floor(x * ratio), Math.floor(y * ratio), 1, 1).data;
        endColourPick();
        take(`#${[r, g, b].map((v) => v!.toString(16).padStart(2, '0')).join('')}`);
        ask();
        return;
      }
      if (useEditor.getState().playing) useEditor.setState({ playing: false });
      pressed = event.button === 1 || spaceHeld ? tools.hand : tools[useEditor.getState().tool];
      const input = inputOf(event);
      pressed.down(input);
      lastDown = { at: event.timeStamp, x: input.screen.x, y: input.screen.y };
      ask();
    };
    const move = (event: PointerEvent) => {
      const tool = pressed ?? tools[useEditor.getState().tool];
      // A pen reports more often than the screen is drawn: all of it counts.
      const all = pressed ? event.getCoalescedEvents() : [];
      for (const one of all.length > 0 ? all : [event]) tool.move(inputOf(one), pressed !== null);
      ask();
    };
    const up = (event: PointerEvent) => {
      pressed?.up(inputOf(event));
      pressed = null;
      ask();
    };
    const lost = () => {
      pressed?.cancel();
      pressed = null;
      ask();
    };
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      const box = element.getBoundingClientRect();
      const unit = event.deltaMode === 1 ? 16 : 1;
      if (event.ctrlKey || event.metaKey) {
        zoomBy(Math.exp((-event.deltaY * unit) / 300), {
          x: event.clientX - box.left,
          y: event.clientY - box.top,
        });
      } else if (event.shiftKey && event.deltaX === 0) panBy(-event.deltaY * unit, 0);
      else panBy(-event.deltaX * unit, -event.deltaY * unit);
    };
    const key = (event: KeyboardEvent) => {
      if (event.code === 'Space' && document.activeElement === element) {
        spaceHeld = event.type === 'keydown';
        ask();
      }
      if (event.type !== 'keydown' || event.key !== 'Escape') return;
      if (useColourPick.getState().take) {
        endColourPick();
        event.stopImmediatePropagation();
        return;
      }
      if (!pressed) return;
      event.stopImmediatePropagation();
      lost();
    };

    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      useView.setState({ viewport: { width, height } });
      if (useView.getState().fitted) fit(useEditor.getState().piece.size);
      ask();
    });
    observer.observe(element);
    const unsubscribe = [
      useEditor.subscribe((now, before) => {
        if (now.piece.size !== before.piece.size && useView.getState().fitted) fit(now.piece.size);
        if (now.tool !== before.tool) {
          tools[before.tool].leave?.();
          if (now.tool !== 'pen') finishDrawing();
        }
        ask();
      }),
      useView.subscribe(ask),
      useTools.subscribe(ask),
      useColourPick.subscribe(ask),
      useLooseEnds.subscribe(ask),
      useTracing.subscribe(ask),
      useMaskInHand.subscribe(ask),
      useProof.subscribe(ask),
      useCovering.subscribe(ask),
      onUnderlayLoaded(ask),
    ];
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', up);
    element.addEventListener('pointercancel', lost);
    element.addEventListener('wheel', wheel, { passive: false });
    window.addEventListener('keydown', key, true);
    window.addEventListener('keyup', key, true);
    void document.fonts.load('italic 14px "Instrument Serif"').then(ask);
    return () => {
      observer.disconnect();
      unsubscribe.forEach((end) => end());
      cancelAnimationFrame(asked);
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', up);
      element.removeEventListener('pointercancel', lost);
      element.removeEventListener('wheel', wheel);
      window.removeEventListener('keydown', key, true);
      window.removeEventListener('keyup', key, true);
    };
  }, [tools]);

  return (
    <Stage
      ref={stage}
      tabIndex={0}
      role="application"
      aria-label="Canvas. The same strokes and points are listed in the score and in the Trace panel."
      data-canvas
      onDragOver={(event) => {
        if (![...event.dataTransfer.types].includes('Files')) return;
        event.preventDefault();
        event.dataTransfer.dropEffect = 'copy';
      }}
      onDrop={(event) => {
        event.preventDefault();
        takeDropped(event.dataTransfer);
      }}
      style={{ background: 'var(--desk)' }}
    >
      <canvas ref={picture} />
      <canvas ref={overlay} />
    </Stage>
  );
}
