import { create } from 'zustand';
import { startJob, type Job } from '../jobs';
import { useEditor } from '../state';
import { toScreen, useView } from '../canvas';

/** One report of the recorded pen: time in ms, place in piece pixels of a 1920 × 1080 piece, pressure 0..1, lean in degrees. */
type PenReport = readonly [
  time: number,
  x: number,
  y: number,
  pressure: number,
  tiltX: number,
  tiltY: number,
];

/** Pen movements as a tablet would send them: each from putting the pen down to lifting it. */
export interface PenRecording {
  readonly id: string;
  readonly name: string;
  readonly movements: readonly (readonly PenReport[])[];
}

/** Stands in for a pen tablet: which recording is being written, and how fast. */
export const useTablet = create<{
  readonly playing: { readonly id: string; readonly job: Job<void> } | null;
  readonly speed: number;
}>(() => ({ playing: null, speed: 1 }));

export const stopReplay = (): void => useTablet.getState().playing?.job.abort();

const POINTER = 7001;

/**
 * Writes a recording on the canvas: pointer events of a pen, at the times they were recorded, through the very path a
 * tablet's own events take. The recording lies in the piece as it would in one of 1920 × 1080, scaled to fit.
 */
export async function replay(recording: PenRecording): Promise<void> {
  const canvas = document.querySelector<HTMLElement>('[data-canvas]');
  if (!canvas || useTablet.getState().playing) return;
  useEditor.setState({ tool: 'freehand', step: 'trace' });
  const job = startJob(({ signal }) => write(recording, canvas, signal));
  useTablet.setState({ playing: { id: recording.id, job } });
  await job.settled;
  useTablet.setState({ playing: null });
}

async function write(recording: PenRecording, canvas: HTMLElement, signal: AbortSignal): Promise<void> {
  const { size } = useEditor.getState().piece;
  const k = Math.min(size.width / 1920, size.height / 1080);
  const [dx, dy] = [(size.width - 1920 * k) / 2, (size.height - 1080 * k) / 2];
  const { speed } = useTablet.getState();
  const began = performance.now();
  const until = (ms: number): Promise<void> => {
    const wait = began + ms / speed - performance.now();
    return wait > 1 ? new Promise((done) => setTimeout(done, wait)) : Promise.resolve();
  };
  let down = false;
  const send = (type: string, [, x, y, pressure, tiltX, tiltY]: PenReport, time: number): void => {
    const box = canvas.getBoundingClientRect();
    const at = toScreen(useView.getState(), { x: x * k + dx, y: y * k + dy });
    const event = new PointerEvent(type, {
      pointerId: POINTER,
      pointerType: 'pen',
      isPrimary: true,
      bubbles: true,
      cancelable: true,
      clientX: box.left + at.x,
      clientY: box.top + at.y,
      button: type === 'pointermove' ? -1 : 0,
      buttons: type === 'pointerup' ? 0 : 1,
      pressure,
      tiltX: Math.round(tiltX),
      tiltY: Math.round(tiltY),
    });
    // The pen's own clock counts, not the page's: a busy page must not change what the hand did.
    Object.defineProperty(event, 'timeStamp', { value: began + time });
    canvas.dispatchEvent(event);
    down = type !== 'pointerup';
  };
  for (const movement of recording.movements) {
    for (let i = 0; i < movement.length && !signal.aborted; i++) {
      const report = movement[i]!;
      await until(report[0]);
      send(i === 0 ? 'pointerdown' : 'pointermove', report, report[0]);
    }
    const last = movement.at(-1)!;
    if (down) send('pointerup', last, last[0]);
    if (signal.aborted) break;
  }
}
