import { arrowSteps, nudgeKeys } from './nudge-keys';

const press = (key: string, shiftKey = false) => {
  const kept: string[] = [];
  const event = {
    key,
    shiftKey,
    preventDefault: () => void kept.push('browser'),
    stopPropagation: () => void kept.push('around'),
  };
  return { event, kept };
};

test('arrows go one step, ten with Shift, to the right and upward', () => {
  const steps = (key: string, shiftKey: boolean) => arrowSteps({ key, shiftKey });
  expect(steps('ArrowLeft', false)).toEqual({ x: -1, y: 0 });
  expect(steps('ArrowRight', true)).toEqual({ x: 10, y: 0 });
  expect(steps('ArrowUp', true)).toEqual({ x: 0, y: 10 });
  expect(steps('ArrowDown', false)).toEqual({ x: 0, y: -1 });
  for (const key of ['a', 'Home', 'Enter', 'Delete']) expect(steps(key, false)).toBeNull();
});

test('a key that means something is kept from the browser and from what lies around; any other is not', () => {
  const heard: unknown[] = [];
  const keys = {
    line: nudgeKeys({ along: (by) => heard.push(by), remove: () => heard.push('gone') }),
    column: nudgeKeys({ upward: (by) => heard.push(by) }),
    plane: nudgeKeys({ about: (x, y) => heard.push([x, y]) }),
  };
  const cases = [
    ['line', 'ArrowRight', [1]],
    ['line', 'ArrowUp', null],
    ['line', 'Delete', ['gone']],
    ['line', 'Backspace', ['gone']],
    ['line', 'x', null],
    ['column', 'ArrowDown', [-1]],
    ['column', 'ArrowLeft', null],
    ['column', 'Delete', null],
    ['plane', 'ArrowDown', [[0, -1]]],
    ['plane', 'ArrowLeft', [[-1, 0]]],
  ] as const;
  for (const [which, key, told] of cases) {
    heard.length = 0;
    const { event, kept } = press(key);
    const done = keys[which](event);
    expect([which, key, done, heard, kept]).toEqual([
      which,
      key,
      told !== null,
      told ?? [],
      told ? ['browser', 'around'] : [],
    ]);
  }
});
