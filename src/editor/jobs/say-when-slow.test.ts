import { notify } from '@/ui';
import { sayWhenSlow, startJob } from '.';

jest.mock('@/ui', () => ({ notify: jest.fn() }));
const said = jest.mocked(notify);

const page = Object.assign(new EventTarget(), { title: 'Opening title · Obelus', hidden: true });
const clock = { now: 0 };
beforeEach(() => {
  said.mockClear();
  Object.assign(globalThis, { document: page });
  Object.assign(page, { title: 'Opening title · Obelus', hidden: true });
  jest.spyOn(performance, 'now').mockImplementation(() => clock.now);
});
afterEach(() => jest.restoreAllMocks());

test.each([
  ['quick work is seen by itself', 900, '', 'Opening title · Obelus'],
  [
    'what took over a second is said, and marks a page nobody looks at',
    1100,
    '7 strokes',
    '✓ Opening title · Obelus',
  ],
])('%s', async (_, ms, text, title) => {
  const began = clock.now;
  const job = startJob(() => new Promise<number>((done) => setTimeout(done, 0, 7)));
  const saying = sayWhenSlow(
    job,
    (n) => `${n} strokes`,
    () => true,
  );
  clock.now = began + ms;
  await saying;
  expect(said.mock.calls.map(([words]) => words)).toEqual(text ? [text] : []);
  expect(page.title).toBe(title);
  // Looked at, the page has its own title again.
  page.hidden = false;
  page.dispatchEvent(new Event('visibilitychange'));
  expect(page.title).toBe('Opening title · Obelus');
});

test('slow work that failed marks the title and leaves the words to who began it; stopped work and nothing found say nothing', async () => {
  const slowly = async (job: ReturnType<typeof startJob<number>>, words: string | null) => {
    const saying = sayWhenSlow(
      job,
      () => words,
      () => false,
    );
    clock.now += 5000;
    await saying;
  };
  await slowly(
    startJob(() => Promise.reject(new Error('no ink'))),
    'never',
  );
  expect(page.title).toBe('! Opening title · Obelus');
  page.title = 'Opening title · Obelus';
  const stopped = startJob(() => new Promise<number>(() => {}));
  stopped.abort();
  await slowly(stopped, 'never');
  await slowly(
    startJob(async () => 0),
    null,
  );
  expect(page.title).toBe('Opening title · Obelus');
  expect(said).not.toHaveBeenCalled();
});

test('where the page is looked at only what is out of sight is said', async () => {
  page.hidden = false;
  for (const isSeen of [true, false]) {
    const saying = sayWhenSlow(
      startJob(async () => 7),
      () => 'done',
      () => isSeen,
    );
    clock.now += 5000;
    await saying;
  }
  expect(said.mock.calls.map(([words]) => words)).toEqual(['done']);
  expect(page.title).toBe('Opening title · Obelus');
});
