import { clamp } from '../core/numbers';

/** Where a film is in its time, s; it begins at 0. */
export interface Clock {
  readonly paused: boolean;
  readonly ended: boolean;
  readonly time: number;
  play(): void;
  pause(): void;
  seek(time: number): void;
  /** Stands still without being paused, as where nobody sees it, and goes on. */
  hold(isHeld: boolean): void;
  /** Ends it: nothing is told any more. */
  end(): void;
}

/**
 * A clock that goes as the screen is drawn anew.
 * @param duration of the film, s.
 * @param loops whether it begins again at its end; asked whenever it comes to that.
 * @param rate seconds of the film to one of the page; asked at every frame.
 * @param told called whenever its time or state changed.
 */
export function clockOf(duration: number, loops: () => boolean, rate: () => number, told: () => void): Clock {
  let [time, request, before] = [0, 0, 0];
  let [paused, held] = [true, false];
  const stop = () => cancelAnimationFrame(request);
  const go = (): void => {
    before = performance.now();
    request = requestAnimationFrame(tick);
  };
  const tick = (now: number): void => {
    // A frame may have been begun before it was told to go.
    time += (Math.max(0, now - before) / 1000) * rate();
    before = now;
    if (time >= duration) {
      if (loops()) time %= duration;
      else {
        time = duration;
        paused = true;
      }
    }
    if (!paused) request = requestAnimationFrame(tick);
    told();
  };
  return {
    get paused() {
      return paused;
    },
    get ended() {
      return time >= duration;
    },
    get time() {
      return time;
    },
    play() {
      if (!paused) return;
      // At its end it begins again, as films on pages do.
      if (time >= duration) time = 0;
      paused = false;
      if (!held) go();
      told();
    },
    pause() {
      if (paused) return;
      paused = true;
      stop();
      told();
    },
    seek(to) {
      time = clamp(to, 0, duration);
      before = performance.now();
      told();
    },
    hold(isHeld) {
      if (isHeld === held) return;
      held = isHeld;
      stop();
      if (!held && !paused) go();
    },
    end: stop,
  };
}
