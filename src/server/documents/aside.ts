import { runHeavy } from '../heavy';
import { readBody, type BodyName, type BodyOf } from './bodies';
import { checkDocument, patchDocument, type CheckedDocument } from './checked';

/** Characters up to which work on documents is done at once: it takes some thirty milliseconds. More is done in a process of its own. */
const AT_ONCE = 100_000;

/** The body of a request by the bytes of it. */
export async function bodyOf<N extends BodyName>(name: N, bytes: Uint8Array): Promise<BodyOf<N>> {
  if (bytes.length <= AT_ONCE) return readBody({ name, bytes });
  return (await runHeavy('readBody', { name, bytes }, { bytes: bytes.length })) as BodyOf<N>;
}

/** A document as it was kept, checked. */
export async function checked(text: string): Promise<CheckedDocument> {
  if (text.length <= AT_ONCE) return checkDocument({ text });
  return runHeavy('checkDocument', { text }, { bytes: text.length });
}

/** A document changed by a patch, checked. */
export async function patched(base: string, patch: string, makes: string): Promise<CheckedDocument> {
  const order = { base, patch, makes };
  const bytes = base.length + patch.length;
  return bytes <= AT_ONCE ? patchDocument(order) : runHeavy('patchDocument', order, { bytes });
}
