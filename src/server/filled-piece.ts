import { randomUUID } from 'node:crypto';
import { createCanvas } from '@napi-rs/canvas';
import { colourSchema } from '@/core/colour';
import {
  fillColour,
  fillNumber,
  lettersBehind,
  lettersOf,
  setText,
  settlePiece,
  textsOf,
  type Field,
  type Piece,
} from '@/core/document';
import { TRACE_OPTIONS, withSelfWriting } from '@/core/trace';
import { HttpError } from './http';
import { setLettering } from './lettering';

const refused = (why: string): HttpError => new HttpError(422, `${why} Nothing was made.`);

async function filled(piece: Piece, field: Field, value: string): Promise<Piece> {
  if (field.kind === 'text') {
    let result = piece;
    for (const { id, setting } of textsOf(piece, field)) {
      const now = { ...setting, text: value };
      result = setText(result, id, now, await setLettering(now));
    }
    return result;
  }
  if (field.kind === 'colour') {
    if (!colourSchema.safeParse(value).success)
      throw refused(`“${value}” is no colour such as #ff6b3d for “${field.name}”.`);
    return fillColour(piece, field, value);
  }
  if (field.kind === 'number') {
    const number = Number(value);
    if (value.trim() === '' || !Number.isFinite(number))
      throw refused(`“${value}” is no number for “${field.name}”.`);
    return fillNumber(piece, field, number);
  }
  throw refused(`“${field.name}” takes shapes of a file, which can’t be given here.`);
}

/** The piece with strokes that follow their texts, found again where a text was changed. */
async function followed(piece: Piece): Promise<Piece> {
  let result = piece;
  for (const { id } of lettersBehind(piece).filter(({ within }) => within.length === 0)) {
    const layer = lettersOf(result).find((text) => text.id === id)!;
    const setting = layer.written ?? layer.setting;
    const before = { ...layer, setting, set: await setLettering(setting) };
    const newId = () => randomUUID().slice(0, 13);
    const how = { make: createCanvas, newId, options: TRACE_OPTIONS, before };
    result = settlePiece(result, withSelfWriting(result, id, how));
  }
  return result;
}

/**
 * A piece with its fields filled, by their names: texts are shaped anew, what is drawn round them keeps to them, and strokes that
 * write them follow.
 * @throws HttpError in words where there is no such field, or it can't hold the value.
 */
export async function filledPiece(piece: Piece, values: Readonly<Record<string, string>>): Promise<Piece> {
  let result = piece;
  for (const [name, value] of Object.entries(values)) {
    const field = piece.fields.find((one) => one.name.toLowerCase() === name.toLowerCase());
    const names = piece.fields.map((one) => `“${one.name}”`).join(', ');
    if (!field)
      throw refused(`The piece has no field “${name}”${names ? `; it has ${names}` : ', nor any other'}.`);
    result = settlePiece(result, await filled(result, field, value));
  }
  return followed(result);
}
