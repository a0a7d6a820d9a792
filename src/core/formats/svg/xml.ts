import { SaxesParser } from 'saxes';

/** An element of an SVG file, without comments, entities and anything in other languages. */
export interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Element[];
  /** Text directly inside it, as style sheets have it. */
  readonly text: string;
}

/** What a file may have at the most; more is refused before it costs anything. */
export const SVG_LIMITS = { characters: 8_000_000, elements: 60_000, depth: 200, drawn: 20_000 } as const;

/** A file that can't be read, in words with the place. */
export class SvgError extends Error {}

const SVG = 'http://www.w3.org/2000/svg';

/**
 * Reads XML into elements of the SVG namespace; elements of others are dropped with all they hold. Entities that a
 * file declares itself are not expanded: a reference to one is an error.
 */
export function readXml(source: string): { root: Element; foreign: boolean } {
  if (source.length > SVG_LIMITS.characters) {
    throw new SvgError(`The file holds more than ${SVG_LIMITS.characters / 1e6} million characters.`);
  }
  const parser = new SaxesParser({ xmlns: true, position: true });
  interface Open {
    name: string;
    attributes: Record<string, string>;
    children: Element[];
    text: string;
  }
  const stack: Open[] = [];
  let root: Element | null = null;
  let count = 0;
  let skipping = 0;
  let foreign = false;
  parser.on('error', (error) => {
    throw new SvgError(
      `The file is not well-formed XML: ${error.message.replace(/^\d+:\d+: /, '')} (line ${parser.line}).`,
    );
  });
  parser.on('opentag', (tag) => {
    if (skipping > 0) {
      skipping++;
      return;
    }
    if (++count > SVG_LIMITS.elements)
      throw new SvgError(`The file has more than ${SVG_LIMITS.elements} elements.`);
    if (stack.length > SVG_LIMITS.depth)
      throw new SvgError(`The file is nested deeper than ${SVG_LIMITS.depth} elements.`);
    // A file without the namespace is meant as SVG all the same when its root says so.
    if (tag.uri !== SVG && tag.uri !== '') {
      foreign = true;
      skipping = 1;
      return;
    }
    const attributes: Record<string, string> = {};
    for (const attribute of Object.values(tag.attributes)) {
      const { local, value, prefix } = attribute;
      if (prefix === '' || prefix === 'xlink') attributes[local] = value;
    }
    stack.push({ name: tag.local, attributes, children: [], text: '' });
  });
  const addText = (text: string): void => {
    const open = stack.at(-1);
    if (open && skipping === 0 && open.name === 'style') open.text += text;
  };
  parser.on('text', addText);
  parser.on('cdata', addText);
  parser.on('closetag', () => {
    if (skipping > 0) {
      skipping--;
      return;
    }
    const done = stack.pop()!;
    const parent = stack.at(-1);
    if (parent) parent.children.push(done);
    else root ??= done;
  });
  parser.write(source).close();
  const found = root as Element | null;
  if (!found || found.name !== 'svg') throw new SvgError('The file holds no SVG picture.');
  return { root: found, foreign };
}
