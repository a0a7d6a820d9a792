import type { Filter } from './draw-list';
import { isOnlySoft } from './soft';

test('light is only soft: a glow, a shadow; mattes, softened masks and what is made hard again are not', () => {
  const tint: Filter = { kind: 'tint', colour: '#000000' };
  const blur: Filter = { kind: 'blur', deviation: 4 };
  expect(isOnlySoft({ filters: [tint, blur, { kind: 'gain', factor: 2 }] })).toBe(true);
  expect(isOnlySoft({ filters: [tint, blur, { kind: 'shift', by: { x: 4, y: 4 } }] })).toBe(true);
  expect(isOnlySoft({ filters: [blur] })).toBe(false);
  expect(isOnlySoft({ filters: [blur], operator: 'keep' })).toBe(false);
  expect(isOnlySoft({ filters: [blur, { kind: 'sharpen', deviation: 4 }] })).toBe(false);
  expect(isOnlySoft({ filters: [tint] })).toBe(false);
  expect(isOnlySoft({})).toBe(false);
});
