import { jest } from '@jest/globals';
import { useCalm, useEditor } from '.';

/** Where the focus is, as far as following asks. */
const focusOn = (isCanvas: boolean): void => {
  Object.assign(globalThis, { document: { activeElement: { matches: () => isCanvas } } });
};
const rename = (name: string): void => useEditor.setState(({ piece }) => ({ piece: { ...piece, name } }));
const shown = (): string => useCalm.getState().piece.name;

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask'] });
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'document');
});

test('panels follow at once; where that takes long what is done on the canvas is seen there first', async () => {
  let takes = 0;
  const unhear = useCalm.subscribe(() => jest.advanceTimersByTime(takes));
  focusOn(true);
  rename('Light');
  expect(shown()).toBe('Light');
  await Promise.resolve();
  // A large piece: following this took twenty milliseconds.
  takes = 20;
  focusOn(false);
  rename('Heavy');
  expect(shown()).toBe('Heavy');
  await Promise.resolve();
  rename('From a panel');
  expect(shown()).toBe('From a panel');
  await Promise.resolve();
  focusOn(true);
  rename('On the canvas');
  rename('On the canvas, twice');
  expect(shown()).toBe('From a panel');
  takes = 0;
  jest.advanceTimersByTime(30);
  expect(shown()).toBe('On the canvas, twice');
  await Promise.resolve();
  // It was quick this time: the next follows at once again.
  rename('Light again');
  expect(shown()).toBe('Light again');
  unhear();
});

test('another selection is followed at once, whatever it takes', async () => {
  let takes = 20;
  const unhear = useCalm.subscribe(() => jest.advanceTimersByTime(takes));
  focusOn(true);
  useEditor.setState({ selection: { ...useEditor.getState().selection } });
  await Promise.resolve();
  takes = 0;
  rename('Waits');
  expect(shown()).not.toBe('Waits');
  useEditor.setState({ selection: { ...useEditor.getState().selection } });
  expect(shown()).toBe('Waits');
  unhear();
});
