'use client';
import { useEffect, useMemo, useRef } from 'react';
import { followPointer, openContextMenu } from '@/ui';
import { selectForMenu, selectionEntries } from '../menus';
import { endColourPick, select, useColourPick, useEditor, type Tool } from '../state';
import { layerAt } from './hit';
import { OVERLAYS, paintOverlay } from './overlay';
import {
  finishDrawing,
  freehandTool,
  handTool,
  orderTool,
  penTool,
  pressTool,
  selectTool,
  shapeTool,
  textTool,
  type CanvasTool,
  type PointerInput,
  type ToolPress,
} from './tools';
import { onUnderlayLoaded } from '../underlays';
import { crosshairKeys } from './crosshair-keys';
import { hideCrosshair, useCrosshair } from './crosshair';
import { stopGhost, usePenGhost } from './pen-ghost';
import { keepAhead } from './painted-ahead';
import { Heard, Stage } from './stage-frame';
import { stagePicture } from './stage-picture';
import { fit, panBy, toPiece, useView, zoomBy } from './view';

const DOUBLE_MS = 350;

/**
 * Where the piece is seen and its strokes are made: what it lies over, the piece, and above both what helps to work on it.
 * @param onShown is told once that the picture is there; it stays the same function.
 */
export function CanvasStage({ onShown }: { readonly onShown: () => void }) {
  const stage = useRef<HTMLDivElement>(null);
  const under = useRef<HTMLCanvasElement>(null);
  const picture = useRef<HTMLCanvasElement>(null);
  const overlay = useRef<HTMLCanvasElement>(null);
  const heard = useRef<HTMLSpanElement>(null);
  const tools = useMemo<Record<Tool, CanvasTool>>(
    () => ({
      select: selectTool(),
      pen: penTool(),
      freehand: freehandTool(),
      shape: shapeTool(),
      text: textTool(),
      order: orderTool(),
      hand: handTool(),
    }),
    [],
  );

  useEffect(() => {
    const element = stage.current!;
    const above = overlay.current!.getContext('2d')!;
    let asked = 0;
    let spaceHeld = false;
    let pressed: ToolPress | null = null;
    let lastDown = { at: 0, x: 0, y: 0 };

    const ask = () => {
      asked ||= requestAnimationFrame(draw);
    };
    const frameShown = (frame: number): void => {
      if (element.dataset.frame === undefined) onShown();
      element.dataset.frame = String(frame);
    };
    const show = stagePicture(under.current!, picture.current!, frameShown, ask);
    function draw() {
      asked = 0;
      const state = useEditor.getState();
      const view = useView.getState();
      const ratio = window.devicePixelRatio || 1;
      const { width, height } = view.viewport;
      for (const canvas of [under.current!, overlay.current!]) {
        const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
        if (canvas.width !== w || canvas.height !== h) {
          [canvas.width, canvas.height] = [w, h];
          show.forget();
        }
      }
      show.paint(state, view, ratio);
      above.setTransform(ratio, 0, 0, ratio, 0, 0);
      above.clearRect(0, 0, width, height);
      paintOverlay(above, view, state, tools[state.tool].marks());
      const { ghost } = usePenGhost.getState();
      element.dataset.pen = ghost ? String(ghost.way.at(ghost.gone)?.stroke) : '';
      element.style.cursor = useColourPick.getState().take
        ? 'crosshair'
        : (pressed?.tool ?? (spaceHeld ? tools.hand : tools[state.tool])).cursor();
    }

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
    const keyed = crosshairKeys({
      tool: () => tools[useEditor.getState().tool],
      say: (words) => (heard.current!.textContent = words),
      changed: ask,
    });
    const down = (event: PointerEvent) => {
      if (event.button > 1) return;
      element.focus({ preventScroll: true });
      keyed.leave();
      const { take } = useColourPick.getState();
      if (take) {
        const ratio = window.devicePixelRatio || 1;
        const { x, y } = inputOf(event).screen;
        const colour = show.colourAt(Math.floor(x * ratio), Math.floor(y * ratio));
        endColourPick();
        take(colour);
        ask();
        return;
      }
      if (useEditor.getState().playing) useEditor.setState({ playing: false });
      const tool = event.button === 1 || spaceHeld ? tools.hand : tools[useEditor.getState().tool];
      const input = inputOf(event);
      followPointer(event, {
        move(now) {
          // A pen reports more often than the screen is drawn: all of it counts.
          const all = now.getCoalescedEvents();
          for (const one of all.length > 0 ? all : [now]) tool.move(inputOf(one), true);
          ask();
        },
        release: (now) => pressed?.release(inputOf(now)),
        cancel() {
          pressed?.cancel();
          // A press that was taken back is no half of a double one.
          lastDown = { at: 0, x: 0, y: 0 };
        },
        ended() {
          pressed = null;
          ask();
        },
      });
      pressed = pressTool(tool, input);
      lastDown = { at: event.timeStamp, x: input.screen.x, y: input.screen.y };
      ask();
    };
    // What is held stays so while its place is typed.
    const blurred = ({ relatedTarget }: FocusEvent) => {
      if (!(relatedTarget instanceof Element) || !relatedTarget.closest('[data-crosshair]')) keyed.letGo();
    };
    const hover = (event: PointerEvent) => {
      if (pressed) return;
      // A pointer that lies still is told to have moved whenever the page does.
      if (event.movementX !== 0 || event.movementY !== 0) keyed.leave();
      if (useCrosshair.getState().at) return;
      tools[useEditor.getState().tool].move(inputOf(event), false);
      ask();
    };
    const menu = (event: MouseEvent) => {
      // Opened by its key it is about what is selected.
      const pointed = event.button === 2;
      const box = element.getBoundingClientRect();
      const screen = { x: event.clientX - box.left, y: event.clientY - box.top };
      const layer = pointed ? layerAt(useEditor.getState().piece, screen, useView.getState()) : null;
      if (layer) selectForMenu([layer.id]);
      else if (pointed) select({});
      openContextMenu(event, 'On the canvas', selectionEntries());
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
      if (event.type !== 'keydown' || event.key !== 'Escape' || !useColourPick.getState().take) return;
      endColourPick();
      event.stopImmediatePropagation();
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
          keyed.letGo();
          tools[before.tool].leave?.();
          if (now.tool !== 'pen') finishDrawing();
        }
        ask();
      }),
      useView.subscribe(ask),
      useCrosshair.subscribe(({ at, holds }, before) => {
        if (at && at !== before.at) keyed.follow(at);
        if (!holds && before.holds) keyed.letGo();
        ask();
      }),
      useColourPick.subscribe(ask),
      ...OVERLAYS.flatMap(({ hears = [] }) => hears.map((store) => store.subscribe(ask))),
      onUnderlayLoaded(ask),
      keepAhead(),
    ];
    element.addEventListener('keydown', keyed.press);
    element.addEventListener('blur', blurred);
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointermove', hover);
    element.addEventListener('contextmenu', menu);
    element.addEventListener('wheel', wheel, { passive: false });
    window.addEventListener('keydown', key, true);
    window.addEventListener('keyup', key, true);
    void document.fonts.load('italic 14px "Instrument Serif"').then(ask);
    return () => {
      observer.disconnect();
      unsubscribe.forEach((end) => end());
      show.end();
      stopGhost();
      cancelAnimationFrame(asked);
      element.removeEventListener('keydown', keyed.press);
      element.removeEventListener('blur', blurred);
      hideCrosshair();
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointermove', hover);
      element.removeEventListener('contextmenu', menu);
      element.removeEventListener('wheel', wheel);
      window.removeEventListener('keydown', key, true);
      window.removeEventListener('keyup', key, true);
    };
  }, [tools, onShown]);

  return (
    <Stage
      ref={stage}
      tabIndex={0}
      id="canvas"
      role="application"
      aria-label="Canvas"
      aria-describedby="about-canvas"
      data-canvas
      style={{ background: 'var(--desk)' }}
    >
      <span id="about-canvas" hidden>
        X brings a crosshair: arrows move it, Enter presses there, Ctrl Enter takes hold. The same strokes and
        points are listed in the score and in the Trace panel.
      </span>
      <Heard ref={heard} role="status" />
      <canvas ref={under} />
      <canvas ref={picture} data-picture />
      <canvas ref={overlay} />
    </Stage>
  );
}
