import type { AnswerOf, READ_FIELDS } from '@/contract';
import { colourSchema } from '@/core/colour';
import { fieldValue, settingSchema, type Field, type Piece } from '@/core/document';
import { HttpError } from './http';
import { documentOf } from './documents';

const refused = (why: string): HttpError => new HttpError(422, `${why} Nothing was made.`);

/** The number that a value is. */
export function numberOf(field: Field, value: string): number {
  const number = Number(value);
  if (value.trim() === '' || !Number.isFinite(number))
    throw refused(`“${value}” is not a number for “${field.name}”.`);
  return number;
}

/** The field of a name, which a value is known to fit. @throws HttpError in words where there is none, or it does not fit. */
export function needField(piece: Piece, name: string, value: string): Field {
  const field = piece.fields.find((one) => one.name.toLowerCase() === name.toLowerCase());
  const names = piece.fields.map((one) => `“${one.name}”`).join(', ');
  if (!field)
    throw refused(`The piece has no field “${name}”${names ? `; it has ${names}` : ', nor any other'}.`);
  if (field.kind === 'image')
    throw refused(`“${field.name}” takes shapes of a file, which can’t be given here.`);
  if (field.kind === 'number') numberOf(field, value);
  if (field.kind === 'colour' && !colourSchema.safeParse(value).success)
    throw refused(`“${value}” is no colour such as #ff6b3d for “${field.name}”.`);
  if (field.kind === 'face' && !settingSchema.shape.face.safeParse({ id: value, weight: 400 }).success)
    throw refused(`“${value}” names no face for “${field.name}”.`);
  return field;
}

/** A piece with its fields and what they hold now. */
export async function readFields(id: string): Promise<AnswerOf<typeof READ_FIELDS>> {
  const { revision, document } = await documentOf(id);
  const piece = JSON.parse(document.text) as Piece;
  const { name, size, length, rate, fields } = piece;
  return {
    ...{ id, name, revision, ...size, length, rate },
    fields: fields.map((field) => ({ name: field.name, kind: field.kind, value: fieldValue(piece, field) })),
  };
}
