import fc from 'fast-check';
import { readAddress, STEP_IDS, writeAddress } from './address';

const looked = fc.record({
  step: fc.constantFrom(...STEP_IDS),
  frame: fc.nat(216_000),
  selected: fc.array(fc.stringMatching(/^[a-z0-9-]{1,20}$/), { maxLength: 12 }),
});

test('what an address says is read back', () => {
  fc.assert(
    fc.property(looked, (one) => {
      expect(readAddress(writeAddress(one))).toEqual(one);
    }),
  );
});

test('an address that says nothing, or nonsense, opens the piece as it always opens', () => {
  const plain = { step: 'trace', frame: 0, selected: [] };
  expect(writeAddress({ step: 'trace', frame: 0, selected: [] })).toBe('');
  fc.assert(
    fc.property(fc.webQueryParameters(), (query) => {
      const read = readAddress(`?${query}`);
      expect(STEP_IDS).toContain(read.step);
      expect(Number.isInteger(read.frame) && read.frame >= 0).toBe(true);
    }),
  );
  for (const query of ['', '?step=tracing', '?frame=-3', '?frame=1.5', '?frame=soon', '?selected=,,'])
    expect(readAddress(query)).toEqual(plain);
});

test('more layers than make a readable address are left out of it', () => {
  const selected = Array.from({ length: 13 }, (_, i) => `layer-${i}`);
  expect(writeAddress({ step: 'time', frame: 0, selected })).toBe('?step=time');
});
