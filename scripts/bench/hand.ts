// Words written letter by letter, held against the rules of a hand, face by face.
import { readFileSync } from 'node:fs';
import { addLayers, letterOutlines, newLettering, newPiece, type Lettering } from '../../src/core/document';
import { commandsBounds } from '../../src/core/geometry';
import { setText } from '../../src/core/lettering';
import { strokesThrough } from '../../src/core/scene';
import { makeCanvas, measuresOf } from '../../src/core/testing/face-measures';
import { TRACE_OPTIONS } from '../../src/core/trace';
import { judgeJoined } from '../../src/core/testing/joined-rules';
import { judgeWord } from '../../src/core/testing/words-written';
import { inkOf } from '../../src/core/testing/judge-ink';
import { coverage, coveredArt, traceInk, traceLetters, withSelfWriting } from '../../src/core/trace';
import { loadFace } from '../../src/server/lettering/harfbuzz';
import { SHIPPED_FACES } from '../../src/server/lettering/shipped-faces';
import { faceFile } from './trace-faces';

type Face = (typeof SHIPPED_FACES)[number];

/** Words of the sample world's coast, with every letter in several of them; none was chosen for passing. */
const WORDS =
  'Marshlight Tidekeeper Windward Quicksand Foxglove Bramble Jetty Kelp Zephyr Halyard Oystercatcher Ebbtide Vixen Grebe Lapwing Nightjar Umber Pilgrim Saltworks Causeway Driftwood Yarrow Redshank Bulrush Fenland Herring Wavelength Mudflat Sandpiper Chapter Episode Estuary Anchorage Beacon Lagoon Thicket Quayside Velvet Journey Almanac'.split(
    ' ',
  );
/** And in the other scripts that faces are shipped for. */
const OTHER_WORDS: Partial<Record<Face['kind'], readonly string[]>> = {
  arabic:
    'مد جزر بحر نهر شاطئ ملح موج قصب سمك طيور خليج سفينة مرساة ضباب فجر غروب قمر نجوم رمل صدف حكاية فصل عنوان ظل عاصفة ذاكرة ثلج هواء كتاب زورق لؤلؤ بوابة سحاب يوم وطن مستنقع صقر بط حقل ينبوع'.split(
      ' ',
    ),
  indic:
    'नदी ज्वार पानी तट सागर लहर नाव मछली रेत चाँद बादल हवा दलदल कहानी गीत पवन कमल सूरज तारा मौसम किनारा पुल बगुला घास मिट्टी शाम सुबह धारा नमक जाल'.split(
      ' ',
    ),
};
/** Letters that are also traced each by itself as ink of which nothing is known. */
const LETTERS = [...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ23456789'];
/** Words whose letters touch and overlap where they are set tight. */
const TIGHT = ['KAYAK', 'AWAY', 'AVIATOR', 'Tidewater', 'Wavelet', 'minimum'];
/** Seen too early counts from so much of the ink, for more than a frame. */
const EARLY = 0.002;

const isLatin = ({ kind }: Face): boolean => kind !== 'arabic' && kind !== 'indic';
const isScript = ({ kind }: Face): boolean => kind === 'script';

/** Sets texts in a shipped face, as the application does. */
export async function setter({
  id,
}: Pick<Face, 'id'>): Promise<(text: string, size?: number, tracking?: number) => Lettering> {
  const shaper = await loadFace(readFileSync(faceFile(id)));
  return (text, size = 120, tracking = 0) => {
    const setting = { text, face: { id, weight: 400 }, size, tracking, leading: 1.2, align: 'left' as const };
    return newLettering('text', text, setting, setText(setting, shaper), { x: 60, y: 300 });
  };
}

/** What is uncovered of a text made to write itself with one action, and what of it is seen too early. */
function selfWritten(layer: Lettering) {
  const box = commandsBounds(letterOutlines(layer).flat())!;
  const size = { width: Math.ceil(box.right) + 60, height: 500 };
  let n = 0;
  const made = withSelfWriting(addLayers(newPiece('Word', size, undefined, 100), [layer]), 'text', {
    make: makeCanvas,
    newId: () => `s${n++}`,
    options: TRACE_OPTIONS,
  });
  const text = made.layers.find((one): one is Lettering => one.type === 'lettering')!;
  const strokes = strokesThrough(made, text.reveal!);
  const { share, overTime } = coverage(coveredArt(text, strokes, true, makeCanvas)!, strokes, 100);
  return {
    share,
    worst: Math.max(...overTime.map(({ early }) => early)),
    frames: overTime.filter(({ early }) => early > EARLY).length,
    strokes: strokes.length,
  };
}

const SAMPLE: Partial<Record<Face['kind'], string>> = { arabic: 'مد البحر نهر', indic: 'ज्वार नदी पानी' };
const per = (n: number, digits = 2): string => `${(n * 100).toFixed(digits)} %`;

/** What the words of a face in Arabic or Devanagari break of the rules of its hand, as cells of the table. */
function judgedJoined(words: readonly string[], word: (text: string) => Lettering): string {
  const judged = words.map((text) => {
    const layer = word(text);
    return { text, ...judgeJoined(layer, traceLetters(layer, TRACE_OPTIONS, makeCanvas)!) };
  });
  const broken = judged.filter(
    ({ bare, otherwise, early, headLines }) =>
      bare.length + otherwise.length + early.length + headLines.length > 0,
  );
  const sum = (of: (one: (typeof judged)[number]) => number): number =>
    judged.reduce((all, one) => all + of(one), 0);
  const lifts = (sum(({ lifts: n }) => n) / sum(({ letters }) => letters)).toFixed(2);
  const bare = sum((one) => one.bare.length);
  const letters = broken.flatMap(({ text, otherwise }) => otherwise.map((letter) => `${letter} in ${text}`));
  return `${words.length - broken.length} of ${words.length} | ${sum(({ ruled }) => ruled)} of ${sum((one) => one.letters)} | ${lifts} | ${bare} | ${letters.join(', ')}`;
}

/** Tables of how shipped faces are written: as a hand does, and by one action. */
export async function handTables(): Promise<{ hand: string[]; joined: string[]; written: string[] }> {
  const hand = [
    '| face | words without a break of the rules | lifts a letter | letters without a stroke, −80 to 0 | letters written otherwise | written so where nothing is known, of 60 |',
    '| --- | --- | --- | --- | --- | --- |',
  ];
  const joined = [
    '| face | words without a break of the rules | letters that have a rule of their own | lifts a letter | letters without a stroke | letters written otherwise |',
    '| --- | --- | --- | --- | --- | --- |',
  ];
  const written = [
    '| face | uncovered | seen too early, worst | frames over 0.2 % | strokes |',
    '| --- | --- | --- | --- | --- |',
  ];
  let [words, kept, lifted, scripted, guessed, faces] = [0, 0, 0, 0, 0, 0];
  for (const face of SHIPPED_FACES) {
    const word = await setter(face);
    const self = selfWritten(word(SAMPLE[face.kind] ?? 'Saltmarsh Almanac', 200));
    written.push(
      `| ${face.name} | ${per(self.share)} | ${per(self.worst)} | ${self.frames} | ${self.strokes} |`,
    );
    const others = OTHER_WORDS[face.kind];
    if (others) joined.push(`| ${face.name} | ${judgedJoined(others, word)} |`);
    if (!isLatin(face)) continue;
    const measures = measuresOf((text) => ({ ...word(text), x: 0, y: 0 }));
    const judged = WORDS.map((text) => {
      const layer = word(text);
      return judgeWord(layer, traceLetters(layer, TRACE_OPTIONS, makeCanvas)!, measures);
    });
    const good = judged.filter((one) => one.otherwise.length + one.early.length + one.bare.length === 0);
    const lifts = judged.reduce((sum, one) => sum + one.lifts, 0);
    const letters = judged.reduce((sum, one) => sum + one.letters, 0);
    const bare = [-80, -40, 0].flatMap((tracking) =>
      TIGHT.flatMap((text) => {
        const layer = word(text, 120, tracking);
        const found = new Set(traceLetters(layer, TRACE_OPTIONS, makeCanvas)!.map(({ glyph }) => glyph));
        return [...text].filter((_, glyph) => !found.has(glyph));
      }),
    );
    const counts = new Map<string, number>();
    for (const letter of judged.flatMap((one) => one.otherwise))
      counts.set(letter, (counts.get(letter) ?? 0) + 1);
    const alone = LETTERS.filter((letter) => {
      const layer = word(letter);
      const strokes = traceInk(inkOf(letterOutlines(layer).flat()), TRACE_OPTIONS)!;
      const judgedAlone = judgeWord(
        layer,
        strokes.map((stroke) => ({ ...stroke, glyph: 0 })),
        measures,
      );
      return judgedAlone.otherwise.length === 0;
    });
    const otherwise = [...counts].sort((a, b) => b[1] - a[1]).map(([letter, n]) => `${letter} ${n}`);
    hand.push(
      `| ${face.name} | ${good.length} of ${WORDS.length} | ${(lifts / letters).toFixed(2)} | ${bare.length} | ${otherwise.join(', ')} | ${alone.length} |`,
    );
    guessed += alone.length;
    faces++;
    words += WORDS.length;
    kept += good.length;
    if (isScript(face)) [lifted, scripted] = [lifted + lifts, scripted + letters];
  }
  hand.push(
    `| **all** | **${kept} of ${words} (${per(kept / words, 0)})** | scripts ${(lifted / scripted).toFixed(2)} | | | **${per(guessed / (faces * LETTERS.length), 0)}** |`,
  );
  return { hand, joined, written };
}
