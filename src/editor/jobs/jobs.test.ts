import { leavePage, startJob, workerLine } from '.';

/** A worker whose calls end when the test says so. */
function fakeWorkers() {
  const made: { ended: boolean; calls: ((value: string) => void)[]; fail: (message: string) => void }[] = [];
  const line = workerLine<{ ask(): string }>(
    () => {
      const target = new EventTarget();
      const self = {
        ended: false,
        calls: [] as ((value: string) => void)[],
        fail: (message: string) => target.dispatchEvent(Object.assign(new Event('error'), { message })),
      };
      made.push(self);
      return Object.assign(target, {
        terminate: () => {
          self.ended = true;
        },
      });
    },
    () => {
      const own = made.at(-1)!;
      return { ask: () => new Promise((done) => own.calls.push(done)) } as never;
    },
  );
  const ask = (signal: AbortSignal) => line.run((remote) => remote.ask(), signal);
  const turn = () => new Promise((done) => setTimeout(done));
  const prepare = () => void line.prepare((remote) => remote.ask());
  return { made, ask, turn, prepare };
}

test('ending a call ends its worker; those that wait get a new one and their answers', async () => {
  const { made, ask, turn } = fakeWorkers();
  const [first, second, third] = [new AbortController(), new AbortController(), new AbortController()];
  const running = ask(first.signal);
  const waiting = ask(second.signal);
  const leaving = ask(third.signal);
  await turn();
  expect(made).toHaveLength(1);
  third.abort();
  first.abort();
  await expect(running).rejects.toThrow();
  await turn();
  expect(made.map((worker) => worker.ended)).toEqual([true, false]);
  made[1]!.calls[0]!('found');
  expect(await waiting).toBe('found');
  // The one that left while it waited cost nobody a worker.
  await expect(leaving).rejects.toThrow();
  expect(made).toHaveLength(2);
});

test('a worker that is prepared is there at the first call, which waits for nothing of that', async () => {
  const { made, ask, turn, prepare } = fakeWorkers();
  prepare();
  prepare();
  expect(made).toHaveLength(1);
  expect(made[0]!.calls).toHaveLength(1);
  const asked = ask(new AbortController().signal);
  await turn();
  expect(made).toHaveLength(1);
  made[0]!.calls[1]!('found');
  expect(await asked).toBe('found');
  prepare();
  expect(made[0]!.calls).toHaveLength(2);
});

test('a worker that breaks while it is prepared is let go of: the call that needs one gets another', async () => {
  const { made, ask, turn, prepare } = fakeWorkers();
  prepare();
  made[0]!.fail('no such file');
  const asked = ask(new AbortController().signal);
  await turn();
  made[1]!.calls[0]!('well');
  expect(await asked).toBe('well');
});

test('a worker that breaks is said, and the next call finds another', async () => {
  const { made, ask, turn } = fakeWorkers();
  const broken = ask(new AbortController().signal);
  await turn();
  made[0]!.fail('out of memory');
  await expect(broken).rejects.toThrow('out of memory');
  const next = ask(new AbortController().signal);
  await turn();
  made[1]!.calls[0]!('well');
  expect(await next).toBe('well');
});

test('a job settles in every case: done, failed, aborted before, during, and with its page', async () => {
  expect(await startJob(async () => 7).settled).toEqual({ status: 'done', value: 7 });
  const failed = await startJob(async () => {
    throw new Error('no ink');
  }).settled;
  expect(failed).toMatchObject({ status: 'failed', error: { message: 'no ink' } });
  // Work that never answers is let go of all the same.
  const stuck = startJob(() => new Promise<never>(() => {}));
  stuck.abort();
  expect(await stuck.settled).toEqual({ status: 'aborted' });
  const ofPage = startJob(() => new Promise<never>(() => {}));
  leavePage();
  expect(await ofPage.settled).toEqual({ status: 'aborted' });
  const late = new AbortController();
  late.abort();
  expect(await startJob(async () => 1, undefined, late.signal).settled).toEqual({ status: 'aborted' });
});

test('an answer that comes after the end is no result, and progress after it is not heard', async () => {
  const heard: number[] = [];
  let answer: (value: string) => void = () => {};
  const job = startJob(
    async ({ progress }) => {
      const value = await new Promise<string>((done) => {
        answer = done;
      });
      progress(0.9);
      return value;
    },
    (done) => heard.push(done),
  );
  job.abort();
  answer('late');
  expect(await job.settled).toEqual({ status: 'aborted' });
  await new Promise((done) => setTimeout(done));
  expect(heard).toEqual([]);
});
