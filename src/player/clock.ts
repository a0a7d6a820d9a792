import { clamp } from '../core/numbers';
/** Where a film is in its time, s; it begins at 0. */
export interface Clock {
  readonly paused: boolean;
  readonly ended: boolean;
  readonly time: number;
  play(): void;
  pause(): void;
  seek(time: number): void;
  /** Ends it: nothing is told any more. */
  end(): void;
}

/**
 * A clock that goes as the screen is drawn anew.
 * @param duration of the film, s.
 * @param loops whether it begins again at its end; asked whenever it comes to that.
 * @param told called whenever its time or state changed.
 */
export function clockOf(duration: number, loops: () => boolean, told: () => void): Clock {
  let [time, request, before] = [0, 0, 0];
  let paused = true;
  const stop = () => cancelAnimationFrame(request);
  const tick = (now: number): void => {
    time += (now - before) / 1000;
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
      before = performance.now();
      request = requestAnimationFrame(tick);
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
    end: stop,
  };
}
