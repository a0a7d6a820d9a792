import { SvgError } from './fault';

/** Characters that one entity may stand for, and all of a file's together. */
const MOST_CHARACTERS = 20_000;
const MOST_ENTITIES = 500;

const DECLARATION =
  /<!ENTITY\s+(%\s+)?([A-Za-z_][\w.-]*)\s+(?:(SYSTEM|PUBLIC)\b[^>]*|"([^"]*)"\s*|'([^']*)'\s*)>/g;

/**
 * The entities that a document type declares within the file, unfolded: exporting programs name namespaces and whole styles so.
 * Ones that lie outside the file are refused, as are ones that hold markup or unfold beyond all bounds.
 * @throws SvgError in words.
 */
export function readEntities(doctype: string): Record<string, string> {
  const raw = new Map<string, string>();
  for (const [, parameter, name, outside, double, single] of doctype.matchAll(DECLARATION)) {
    if (outside || parameter)
      throw new SvgError(
        `The file asks for “${name}” from outside itself, which is never fetched. Export it again without external entities.`,
      );
    // The first declaration counts (XML 1.0, 4.2).
    if (!raw.has(name!)) raw.set(name!, double ?? single ?? '');
    if (raw.size > MOST_ENTITIES)
      throw new SvgError(`The file declares more than ${MOST_ENTITIES} entities.`);
  }
  let total = 0;
  const unfolded = (name: string, inside: readonly string[]): string => {
    if (inside.includes(name)) throw new SvgError(`The entity “${name}” holds itself.`);
    const text = raw
      .get(name)!
      .replace(/&([A-Za-z_][\w.-]*);/g, (whole, inner: string) =>
        raw.has(inner) ? unfolded(inner, [...inside, name]) : whole,
      );
    total += text.length;
    if (text.length > MOST_CHARACTERS || total > 20 * MOST_CHARACTERS)
      throw new SvgError(`The entity “${name}” unfolds to more than a file may hold.`);
    return text;
  };
  const all: Record<string, string> = {};
  for (const name of raw.keys()) {
    const text = unfolded(name, []);
    if (text.includes('<'))
      throw new SvgError(
        `The entity “${name}” holds elements, which can’t be read. Export the file again without it.`,
      );
    all[name] = text;
  }
  return all;
}
