import { randomUUID } from 'node:crypto';
import { createCanvas } from '@napi-rs/canvas';
import {
  changeSetting,
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
import { needField, numberOf } from './fields';
import { setLettering } from './lettering';

async function filled(piece: Piece, field: Field, value: string): Promise<Piece> {
  if (field.kind === 'text' || field.kind === 'face') {
    let result = piece;
    for (const { id, setting } of textsOf(piece, field)) {
      // The nearest weight that the face has is taken; axes are those of one face alone.
      const part =
        field.kind === 'text' ? { text: value } : { face: { id: value, weight: setting.face.weight } };
      const now = changeSetting(setting, part);
      result = setText(result, id, now, await setLettering(now));
    }
    return result;
  }
  if (field.kind === 'colour') return fillColour(piece, field, value);
  return fillNumber(piece, field, numberOf(field, value));
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
  for (const [name, value] of Object.entries(values))
    result = settlePiece(result, await filled(result, needField(piece, name, value), value));
  return followed(result);
}
