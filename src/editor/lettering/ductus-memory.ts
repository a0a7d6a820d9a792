import type { z } from 'zod';
import { settingSchema, type TextSetting } from '@/core/document';
import { recall, remember } from '../remembered';

type Ductus = NonNullable<TextSetting['ductus']>;

const keyOf = (face: string): string => `obelus.ductus.${face}`;
const ductusSchema: z.ZodType<Ductus> = settingSchema.shape.ductus.unwrap();

/** How this person has the letters of a face written; undefined where nothing was chosen. */
export function recalledDuctus(face: string): Ductus | undefined {
  try {
    const read = ductusSchema.safeParse(JSON.parse(recall(keyOf(face)) ?? 'null'));
    return read.success ? read.data : undefined;
  } catch {
    return undefined;
  }
}

/** The forms of letters with one more of them chosen, or left to what fits; undefined where none is. */
export function withForm(
  ductus: Ductus | undefined,
  letter: string,
  form: string | null,
): Ductus | undefined {
  const others = Object.entries(ductus ?? {}).filter(([known]) => known !== letter);
  const all = form === null ? others : [...others, [letter, form] as const];
  return all.length > 0 ? Object.fromEntries(all) : undefined;
}

/** Keeps how a letter of a face is written, for texts that are yet to be set in it. */
export function rememberForm(face: string, letter: string, form: string | null): void {
  remember(keyOf(face), JSON.stringify(withForm(recalledDuctus(face), letter, form) ?? {}));
}
