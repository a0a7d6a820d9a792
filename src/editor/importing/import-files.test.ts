import { newPiece, strokesOf } from '@/core/document';
import { leavePage } from '../jobs';
import { loadPiece, useEditor } from '../state';
import { finishSvg, takeFiles, useImporting } from './import-files';

const SVG =
  '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><path d="M0 0L40 20" fill="none" stroke="red"/></svg>';
const LOTTIE = JSON.stringify({
  ...{ v: '5.7.0', fr: 25, ip: 0, op: 25, w: 100, h: 100 },
  layers: [
    {
      ...{ ty: 4, ip: 0, op: 25, st: 0, ks: {} },
      shapes: [
        {
          ty: 'sh',
          ks: {
            a: 0,
            k: {
              c: false,
              v: [
                [0, 0],
                [50, 50],
              ],
              i: [
                [0, 0],
                [0, 0],
              ],
              o: [
                [0, 0],
                [0, 0],
              ],
            },
          },
        },
        { ty: 'st', c: { a: 0, k: [1, 0, 0, 1] }, o: { a: 0, k: 100 }, w: { a: 0, k: 4 } },
      ],
    },
  ],
});

/** A file whose text is there when it is told to be. */
function slow(name: string, type: string, text: string) {
  let give = () => {};
  const given = new Promise<void>((done) => (give = done));
  const file = new File([text], name, { type });
  file.text = async () => {
    await given;
    return text;
  };
  return { file, give: () => give() };
}
const settle = async () => {
  for (let i = 0; i < 20; i++) await new Promise((done) => setImmediate(done));
};

test.each([
  ['SVG', 'image/svg+xml', SVG],
  ['JSON', 'application/json', LOTTIE],
])('%s that is being read goes to the piece it was given to, and to no other', async (ending, type, text) => {
  loadPiece(newPiece('First'));
  const [stays, left] = [slow(`a.${ending}`, type, text), slow(`b.${ending}`, type, text)];
  const taken = takeFiles([stays.file]);
  stays.give();
  await taken;
  if (ending === 'SVG') {
    expect(useImporting.getState().svg?.name).toBe('a');
    await finishSvg('strokes');
  }
  expect(strokesOf(useEditor.getState().piece)).toHaveLength(1);
  // The page is left while the next one is read, and another piece is opened.
  const lost = takeFiles([left.file, left.file]);
  await settle();
  leavePage();
  loadPiece(newPiece('Second'));
  left.give();
  await lost;
  await settle();
  expect(useImporting.getState().svg).toBeNull();
  expect(useEditor.getState().piece).toMatchObject({ name: 'Second', layers: [] });
});
