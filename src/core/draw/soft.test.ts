import type { DrawItem, GroupItem } from './draw-list';
import { withoutSoft } from './soft';

const shape: DrawItem = {
  kind: 'fill',
  path: [['M', 0, 0], ['L', 9, 0], ['Z']],
  colour: '#ffffff',
  opacity: 1,
};
const group = (part: Partial<GroupItem>, ...items: DrawItem[]): GroupItem => ({
  ...{ kind: 'group', items, opacity: 1 },
  ...part,
});
const blur = { kind: 'blur', deviation: 4 } as const;

test('what is only soft is left out, however deep; mattes and what is made hard again stay', () => {
  const glow = group(
    { filters: [{ kind: 'tint', colour: '#000000' }, blur, { kind: 'gain', factor: 2 }] },
    shape,
  );
  const matte = group({ operator: 'keep', filters: [blur] }, shape);
  const melted = group({ filters: [blur, { kind: 'sharpen', deviation: 4 }] }, shape);
  const tinted = group({ filters: [{ kind: 'tint', colour: '#ff0000' }] }, shape);
  const inner = group({}, glow, shape, matte);
  expect(withoutSoft([glow, shape, inner, melted, tinted])).toEqual([
    shape,
    group({}, shape, matte),
    melted,
    tinted,
  ]);
});
