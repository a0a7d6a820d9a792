import { eachChoice } from './choices';

test('choices are told by their names, by ids that are names, or both apart, always in their order', () => {
  expect(eachChoice({ px: 'pixels', share: '%' })).toEqual([
    { id: 'px', name: 'pixels' },
    { id: 'share', name: '%' },
  ]);
  expect(eachChoice(['left', { id: 'middle', name: 'the middle' }])).toEqual([
    { id: 'left', name: 'left' },
    { id: 'middle', name: 'the middle' },
  ]);
});
