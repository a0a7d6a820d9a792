import type { FaceSummary } from '@/contract';
import { faceFor, namedLetters } from './missing-letters';

const face = (id: string, sample: string): FaceSummary => ({
  id,
  name: id,
  kind: 'sans',
  weights: [400],
  sample,
});
const FACES = [face('roman', 'Roman'), face('naskh', 'مد البحر'), face('kufi', 'مد'), face('nagari', 'ज्वार')];

test('letters that a face lacks lead to the first face that is made for their script', () => {
  expect(faceFor(['م', 'د'], FACES)?.id).toBe('naskh');
  expect(faceFor(['?', 'न'], FACES)?.id).toBe('nagari');
  // Of Latin letters that a face lacks, another Latin face knows no better.
  expect(faceFor(['ß'], FACES)).toBeNull();
  expect(faceFor(['م'], FACES.slice(0, 1))).toBeNull();
  expect(faceFor([], FACES)).toBeNull();
});

test('letters named in a sentence are isolates: each has its own direction', () => {
  expect(namedLetters(['م', 'a'])).toBe('“\u2068م\u2069”, “\u2068a\u2069”');
});
