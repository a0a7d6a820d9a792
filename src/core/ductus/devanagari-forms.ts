import { DEVANAGARI, DEVANAGARI_R } from './devanagari';
import { readForms, type Form, type Movement } from './form';

const LETTERS = readForms(DEVANAGARI);
const WITH_R = readForms(DEVANAGARI_R);

/** The stretch of the head-line that a letter hangs on. */
const HEAD_LINE = readForms('‾  whole  ‾ head-line 0,100 100,100').get('‾')![0]!.movements[0]!;
/** Whether a letter or sign hangs on the head-line: what stands only over or under it, and figures, do not. */
const hangs = (letter: string): boolean =>
  /[\u0905-\u0939\u0958-\u0961\u093e\u093f\u0940\u0949\u094b\u094c]/.test(letter);

/** Of letters and signs joined in one syllable, so many are looked for. */
const MOST_SIGNS = 8;

const withHeadLine = (letter: string, form: Form): Form =>
  !hangs(letter) || form.movements.some(({ isHeadLine }) => isHeadLine)
    ? form
    : { ...form, movements: [...form.movements, HEAD_LINE] };

/** The forms of a letter or sign of Devanagari with its head-line; none where it is not known. */
export const devanagariForms = (letter: string): readonly Form[] =>
  (LETTERS.get(letter) ?? []).map((form) => withHeadLine(letter, form));

const VIRAMA = '\u094d';
const R = '\u0930';
const SLASH = WITH_R.get(`${VIRAMA}${R}`)![0]!;
const isStem = ({ name }: Movement): boolean => name === 'stem';

/** A letter without its stem, as it is joined with the next. */
const halved = (form: Form): Form[] =>
  form.movements.some(isStem) && form.movements.length > 2
    ? [{ ...form, name: `${form.name}, half`, movements: form.movements.filter((one) => !isStem(one)) }]
    : [];

/** A letter that an r follows: a slash leaves the foot of its stem. */
function withRUnder(form: Form): Form[] {
  const at = form.movements.findLastIndex(({ name }) => name === 'stem' || name === 'tail');
  const foot = form.movements[at]?.way.at(-1);
  if (!foot) return [];
  const slash = SLASH.movements.map((movement) => ({
    ...movement,
    way: movement.way.map((p) => ({ x: foot.x + p.x - SLASH.movements[0]!.way[0]!.x, y: p.y })),
  }));
  const movements = [...form.movements.slice(0, at + 1), ...slash, ...form.movements.slice(at + 1)];
  return [{ ...form, name: `${form.name}, with an r`, movements }];
}

/** Forms of what a face may show of a syllable by a glyph of its own: each letter, whole or half, each sign, an r over or under it. */
export function devanagariParts(syllable: string): readonly Form[] {
  const signs = [...syllable].slice(0, MOST_SIGNS);
  const r = [...WITH_R].flatMap(([sign, forms]) => (syllable.includes(sign) ? forms : []));
  return [
    ...signs.flatMap((sign, i) => {
      const forms = devanagariForms(sign);
      if (signs[i + 1] !== VIRAMA) return forms;
      return [...forms.flatMap(halved), ...forms, ...(signs[i + 2] === R ? forms.flatMap(withRUnder) : [])];
    }),
    ...r,
  ];
}
