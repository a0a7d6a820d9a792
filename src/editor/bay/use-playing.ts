import { useEffect, useState } from 'react';
import type { Received } from '@/contract';
import { framesPerSecond } from '@/core/timing';
import { useLatest } from '@/ui';

/** Puts frames on as time goes by, for as long as it plays. */
export function usePlaying(received: Received, show: (next: (now: number) => number) => void) {
  const [playing, setPlaying] = useState(false);
  const latest = useLatest(show);
  useEffect(() => {
    if (!playing) return;
    const { frames, rate } = received;
    let [last, request] = [performance.now(), 0];
    const tick = (time: number) => {
      const due = Math.floor(((time - last) / 1000) * framesPerSecond(rate));
      if (due > 0) {
        last += (due * 1000) / framesPerSecond(rate);
        latest.current((now) => (now + due) % frames);
      }
      request = requestAnimationFrame(tick);
    };
    request = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(request);
  }, [playing, received, latest]);
  return { playing, setPlaying };
}
