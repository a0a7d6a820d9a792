import { readFileSync } from 'node:fs';
import { addLayers, newLettering, newPiece, strokesOf, type Lettering } from '@/core/document';
import { pathBounds, reversePath } from '@/core/geometry';
import { setText } from '@/core/lettering';
import { strokesThrough } from '@/core/scene';
import { makeCanvas } from '@/core/testing/face-measures';
import { judgeJoined } from '@/core/testing/joined-rules';
import { TRACE_OPTIONS, traceLetters, withSelfWriting, type TracedStroke } from '@/core/trace';
import { loadFace } from './harfbuzz';

const file = (name: string): string => `node_modules/@expo-google-fonts/${name}`;
const FACES = {
  amiri: file('amiri/400Regular/Amiri_400Regular.ttf'),
  'noto naskh': file('noto-naskh-arabic/400Regular/NotoNaskhArabic_400Regular.ttf'),
  cairo: file('cairo/400Regular/Cairo_400Regular.ttf'),
  hind: file('hind/400Regular/Hind_400Regular.ttf'),
};
type Face = keyof typeof FACES;

async function setter(face: Face): Promise<(text: string) => Lettering> {
  const shaper = await loadFace(readFileSync(FACES[face]));
  return (text) => {
    const setting = { text, face: { id: face, weight: 400 }, size: 120, tracking: 0, leading: 1.2 };
    const whole = { ...setting, align: 'left' as const };
    return newLettering('text', text, whole, setText(whole, shaper), { x: 60, y: 300 });
  };
}
const traced = (layer: Lettering): TracedStroke[] => traceLetters(layer, TRACE_OPTIONS, makeCanvas)!;

/** Words with every letter of the alphabet, by nobody chosen for passing; more are measured by `npm run bench:trace`. */
const ARABIC = [
  'قناة',
  'الخليج',
  'ضوء',
  'شاطئ',
  'ظل',
  'ثلج',
  'ذاكرة',
  'صدف',
  'سفينة',
  'مهاجرة',
  'عاصفة',
  'غروب',
  'كتاب',
  'زورق',
];
const DEVANAGARI = ['नदी', 'ज्वार', 'समुद्र', 'मित्र', 'कैसे', 'दलदल', 'मिट्टी', 'प्रश्न'];

test.each(['amiri', 'noto naskh', 'cairo'] as const)(
  '%s is written from the right, letter after letter as a hand does, dots after the word',
  async (face) => {
    const set = await setter(face);
    let [lifts, letters, ruled] = [0, 0, 0];
    for (const text of ARABIC) {
      const layer = set(text);
      const judged = judgeJoined(layer, traced(layer));
      expect([text, judged]).toEqual([
        text,
        expect.objectContaining({ bare: [], otherwise: [], early: [], headLines: [] }),
      ]);
      lifts += judged.lifts;
      letters += judged.letters;
      ruled += judged.ruled;
    }
    expect(ruled).toBe(letters);
    // Between letters that do not join, and before a stem or an arm that is written after its letter.
    expect(lifts / letters).toBeLessThan(0.45);
  },
);

test('a letter that is joined begins where the one before it ended, also where dots are glyphs of their own', async () => {
  for (const face of ['amiri', 'noto naskh', 'cairo'] as const) {
    const set = await setter(face);
    for (const text of ['بيت', 'نشيد', 'سبيل']) {
      const layer = set(text);
      const bodies = traced(layer).filter(({ written }) => !written?.isMark);
      for (const [i, stroke] of bodies.entries()) {
        const before = bodies[i - 1];
        if (!before || before.glyph === stroke.glyph) continue;
        const [p, q] = [before.path.points.at(-1)!, stroke.path.points[0]!];
        expect([face, text, i, Math.hypot(p.x - q.x, p.y - q.y) < 0.01]).toEqual([face, text, i, true]);
      }
    }
  }
});

test('the same words written the other way break the rules', async () => {
  const set = await setter('noto naskh');
  const turned = (stroke: TracedStroke): TracedStroke => ({ ...stroke, path: reversePath(stroke.path) });
  for (const text of ARABIC) {
    const layer = set(text);
    const strokes = traced(layer);
    const judged = judgeJoined(layer, strokes.map(turned));
    expect([text, judged.otherwise.length > 0]).toEqual([text, true]);
    if (strokes.length > 1)
      expect([text, judgeJoined(layer, [...strokes].reverse()).early.length > 0]).toEqual([text, true]);
  }
});

test('Devanagari is written from the left, stems after what hangs on them, and its head-line last of all', async () => {
  const set = await setter('hind');
  for (const text of DEVANAGARI) {
    const layer = set(text);
    const strokes = traced(layer);
    expect([text, judgeJoined(layer, strokes)]).toEqual([
      text,
      expect.objectContaining({ bare: [], otherwise: [], early: [], headLines: [] }),
    ]);
    const lines = strokes.filter(({ written }) => written?.isHeadLine);
    expect(lines.length).toBeGreaterThan(1);
    // Together they are one level line over the word, from the left.
    const boxes = lines.map(({ path }) => pathBounds(path)!);
    boxes.forEach((box, i) => {
      expect(Math.abs(box.top - boxes[0]!.top)).toBeLessThan(4);
      if (i > 0) expect(box.left).toBeGreaterThan(boxes[i - 1]!.left);
    });
    expect(
      judgeJoined(layer, [...lines, ...strokes.filter((one) => !lines.includes(one))]).headLines,
    ).not.toEqual([]);
  }
});

test('two words: the dots of the first and its head-line are written before the second', async () => {
  for (const [face, text] of [
    ['cairo', 'بيت شجرة'],
    ['hind', 'नदी नाव'],
  ] as const) {
    const layer = (await setter(face))(text);
    const word = ({ glyph }: TracedStroke): number =>
      text.slice(0, layer.set.glyphs[glyph!]!.cluster).split(' ').length;
    const words = traced(layer).map(word);
    expect(words).toEqual([...words].sort());
  }
});

test('one action writes a text in the direction of its letters, whatever is set for drawings', async () => {
  const layer = (await setter('amiri'))('مد البحر');
  const piece = addLayers(newPiece('Word', { width: 900, height: 500 }, undefined, 100), [layer]);
  let n = 0;
  const made = withSelfWriting(piece, 'text', {
    make: makeCanvas,
    newId: () => `s${n++}`,
    options: { ...TRACE_OPTIONS, direction: 'left to right' },
  });
  const text = made.layers.find((one): one is Lettering => one.type === 'lettering')!;
  const strokes = strokesThrough(made, text.reveal!);
  expect(strokes.length).toBe(strokesOf(made).length);
  const middle = (i: number): number => {
    const box = pathBounds(strokes[i]!.path)!;
    return (box.left + box.right) / 2;
  };
  expect(middle(0)).toBeGreaterThan(middle(strokes.length - 2) + 100);
  // Not a bit of a letter is a stroke of its own: as many strokes as letters and their dots.
  expect(strokes.length).toBeLessThanOrEqual(8);
});
