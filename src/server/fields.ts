import { colourSchema } from '@/core/colour';
import type { Field, Piece } from '@/core/document';
import { HttpError } from './http';

const refused = (why: string): HttpError => new HttpError(422, `${why} Nothing was made.`);

/** The number that a value is. */
export function numberOf(field: Field, value: string): number {
  const number = Number(value);
  if (value.trim() === '' || !Number.isFinite(number))
    throw refused(`“${value}” is no number for “${field.name}”.`);
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
  return field;
}
