import { SaxesParser } from 'saxes';
import { readEntities } from './entities';
import { SvgError } from './fault';

/** An element of an SVG file, without comments, entities and anything in other languages. */
export interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Element[];
  /** What it stands in; null for the root. */
  readonly parent: Element | null;
  /** Text directly inside it, as style sheets have it. */
  readonly text: string;
}

/** What a file may have at the most; more is refused before it costs anything. */
export const SVG_LIMITS = {
  characters: 8_000_000,
  elements: 60_000,
  depth: 200,
  drawn: 20_000,
  /** Moves, lines and curves in all. */
  commands: 300_000,
  /** Comparisons of an element with a style rule. */
  comparisons: 5_000_000,
} as const;

const SVG = 'http://www.w3.org/2000/svg';

/**
 * Reads XML into elements of the SVG namespace; elements of others are dropped with all they hold. Entities that a
 * file declares itself are unfolded within bounds, ones from outside it are refused.
 */
export function readXml(source: string): Element {
  if (source.length > SVG_LIMITS.characters) {
    throw new SvgError(`The file holds more than ${SVG_LIMITS.characters / 1e6} million characters.`);
  }
  const parser = new SaxesParser({ xmlns: true, position: true });
  interface Open {
    name: string;
    attributes: Record<string, string>;
    children: Element[];
    parent: Element | null;
    text: string;
  }
  const stack: Open[] = [];
  let root: Element | null = null;
  let count = 0;
  let skipping = 0;
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
      skipping = 1;
      return;
    }
    const attributes: Record<string, string> = {};
    for (const attribute of Object.values(tag.attributes)) {
      const { local, value, prefix } = attribute;
      if (prefix === '' || prefix === 'xlink') attributes[local] = value;
    }
    stack.push({ name: tag.local, attributes, children: [], parent: stack.at(-1) ?? null, text: '' });
  });
  parser.on('doctype', (doctype) => Object.assign(parser.ENTITIES, readEntities(doctype)));
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
  return found;
}
