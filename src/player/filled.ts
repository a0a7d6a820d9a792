import {
  fillColour,
  fillNumber,
  setText,
  settlePiece,
  textsOf,
  updateLayers,
  withPart,
  writesItself,
  type Field,
  type Piece,
  type TextSetting,
} from '@/core/document';
import { setText as setLetters } from '@/core/lettering';
import { shaperOf, type GlyphBook } from './glyph-book';

/** Books of the faces that texts of fields are set in, by what they are set with. */
export type GlyphBooks = Readonly<Record<string, GlyphBook>>;

/** What a book is kept under: its face, weight and OpenType features. */
export const bookName = ({ face, features }: Pick<TextSetting, 'face' | 'features'>): string =>
  [face.id, face.weight, ...(features ? [JSON.stringify(features)] : [])].join(' ');

/** The attribute that fills a field: `field-` and its name, small, with dashes for what is no letter or digit. */
const attributeOf = ({ name }: Field): string =>
  `field-${name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')}`;

function filledField(piece: Piece, field: Field, value: string, books: GlyphBooks): Piece {
  if (field.kind === 'colour') {
    if (!/^#[0-9a-f]{6}$/i.test(value)) return piece;
    const { part } = field;
    return part === undefined
      ? fillColour(piece, field, value)
      : updateLayers(piece, field.of, (layer) => withPart(layer, part, value));
  }
  if (field.kind === 'number') {
    const number = Number(value);
    return value.trim() !== '' && Number.isFinite(number) ? fillNumber(piece, field, number) : piece;
  }
  let result = piece;
  for (const text of field.kind === 'text' ? textsOf(piece, field) : []) {
    const book = books[bookName(text.setting)];
    // Strokes that write a text are traced from it, and axes vary its outlines: both take more than a page has.
    if (!book || text.set.along || writesItself(piece, text)) continue;
    const setting = { ...text.setting, text: value };
    result = setText(result, text.id, setting, setLetters(setting, shaperOf(book)));
  }
  return result;
}

/**
 * The piece with fields filled from attributes, read by their names; what can't be filled stays as it was.
 * @param valueOf answers with the value of an attribute, null where there is none.
 */
export function filledFrom(
  piece: Piece,
  books: GlyphBooks,
  valueOf: (attribute: string) => string | null,
): Piece {
  let result = piece;
  for (const field of piece.fields) {
    const value = valueOf(attributeOf(field));
    if (value !== null) result = settlePiece(result, filledField(result, field, value, books));
  }
  return result;
}
