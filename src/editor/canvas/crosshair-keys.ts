import type { Point } from '@/core/geometry';
import { keepEvent } from '@/ui';
import { singleStroke, useEditor } from '../state';
import { crosshairStep, moveCrosshair, hideCrosshair, useCrosshair } from './crosshair';
import { layerAt, pointAt } from './hit';
import { pressTool, type CanvasTool, type PointerInput, type ToolPress } from './tools';
import { toScreen, useView } from './view';

/** Two presses on one place within this time are a double one, as a pointer's are; keys are slower. */
const DOUBLE_MS = 700;

type Modifiers = Pick<KeyboardEvent, 'shiftKey' | 'altKey' | 'timeStamp'>;

/** What is under a place, in words: a point of the selected stroke, else a layer. */
function under(at: Point): string {
  const state = useEditor.getState();
  const view = useView.getState();
  const screen = toScreen(view, at);
  const stroke = singleStroke(state);
  const point = stroke ? pointAt(stroke.path, screen, view) : null;
  if (stroke && point !== null) return `, point ${point + 1} of ${stroke.name}`;
  const layer = layerAt(state.piece, screen, view);
  return layer ? `, on ${layer.name}` : '';
}

const rounded = (value: number): number => Math.round(value * 10) / 10;

/**
 * The keys of the crosshair. Arrows move it, Enter presses and lets go, Ctrl Enter takes hold of what lies there until Enter or
 * Ctrl Enter lets it go and Escape takes it back. The tool hears of it as it hears of a pointer.
 */
export function crosshairKeys({
  tool,
  say,
  changed,
}: {
  /** The tool in hand. */
  tool: () => CanvasTool;
  /** Tells a screen reader. */
  say: (words: string) => void;
  /** The canvas is to be painted anew. */
  changed: () => void;
}) {
  let pressedAt = -Infinity;
  let pressedOn: Point | null = null;
  /** What the tool in hand is down for. */
  let down: ToolPress | null = null;

  const inputAt = (at: Point, { shiftKey, altKey, timeStamp }: Modifiers, double = false): PointerInput => ({
    screen: toScreen(useView.getState(), at),
    point: at,
    shift: shiftKey,
    alt: altKey,
    double,
    pressure: 0.5,
    tiltX: 0,
    tiltY: 0,
    time: timeStamp,
  });
  const tell = (at: Point): void => {
    const { says } = tool().marks();
    say(`X ${rounded(at.x)}, Y ${rounded(at.y)}${says ? `, ${says.text}` : under(at)}`);
  };

  /** Puts the tool down. */
  function takeHold(at: Point, event: Modifiers): void {
    const same = pressedOn !== null && pressedOn.x === at.x && pressedOn.y === at.y;
    const double = same && event.timeStamp - pressedAt < DOUBLE_MS;
    [pressedAt, pressedOn] = [event.timeStamp, at];
    if (useEditor.getState().playing) useEditor.setState({ playing: false });
    down = pressTool(tool(), inputAt(at, event, double));
    useCrosshair.setState({ holds: true });
  }
  function release(at: Point, event: Modifiers): void {
    down?.release(inputAt(at, event));
    down = null;
    useCrosshair.setState({ holds: false });
  }
  /** Takes back what is being dragged. */
  function letGo(): void {
    if (!down) return;
    const press = down;
    down = null;
    press.cancel();
    useCrosshair.setState({ holds: false });
    // It goes back as well, to be able to take hold again.
    if (pressedOn) moveCrosshair(pressedOn);
    pressedOn = null;
    changed();
  }

  function press(event: KeyboardEvent): void {
    const { at, holds } = useCrosshair.getState();
    if (!at) return;
    const step = crosshairStep(event);
    const hold = event.key === 'Enter' && (event.ctrlKey || event.metaKey);
    if (step) {
      const to = { x: at.x + step.x, y: at.y + step.y };
      moveCrosshair(to);
      tell(to);
    } else if (holds && event.key === 'Escape') {
      letGo();
      say('Cancelled');
    } else if (holds && event.key === 'Enter') {
      release(at, event);
      say('Let go');
    } else if (hold && !event.repeat) {
      takeHold(at, event);
      say(`Held${under(at)}`);
    } else if (event.key === 'Enter' && !event.repeat) {
      takeHold(at, event);
      release(at, event);
      tell(at);
    } else {
      // Any other key means something else: what is held goes back first.
      if (!['Shift', 'Control', 'Alt', 'Meta'].includes(event.key)) letGo();
      return;
    }
    keepEvent(event);
    changed();
  }

  return {
    press,
    letGo,
    /** A pointer is at work: the crosshair goes. */
    leave(): void {
      if (!useCrosshair.getState().at) return;
      letGo();
      hideCrosshair();
    },
    /** The tool hears where it is now, by arrows or by a typed number; no snapping, places are exact. */
    follow(at: Point): void {
      const { holds } = useCrosshair.getState();
      tool().move(inputAt(at, { shiftKey: false, altKey: false, timeStamp: performance.now() }), holds);
    },
  };
}
