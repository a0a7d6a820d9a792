import { faceWords } from '@/core/testing/face-words';
import { makeCanvas } from '@/core/testing/face-measures';
import { TRACE_OPTIONS } from '@/core/trace';
import { warmUp } from './warm-up';

const sacramento = faceWords('sacramento/400Regular/Sacramento_400Regular.ttf');

/** How many letters' ink was looked at. */
async function lettersSeen(signal: AbortSignal): Promise<number> {
  let made = 0;
  await warmUp(
    sacramento('Marsh'),
    TRACE_OPTIONS,
    (width, height) => {
      made++;
      return makeCanvas(width, height);
    },
    signal,
  );
  return made;
}

test('getting ready ends with the letters in hand when something is asked for', async () => {
  const whole = await lettersSeen(new AbortController().signal);
  const asked = new AbortController();
  setTimeout(() => asked.abort());
  const cut = await lettersSeen(asked.signal);
  expect(cut).toBeGreaterThan(0);
  expect(cut).toBeLessThan(whole);
});
