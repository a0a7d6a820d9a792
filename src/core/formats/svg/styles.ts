import { generate, parse, walk, type CssNode } from 'css-tree';
import type { Element } from './xml';

/** Properties of an element as CSS sets them, without inheritance. */
export type Declarations = Record<string, string>;

type Part = { type: string; name: string };
interface Compound {
  /** How this part stands to the one before it: inside it somewhere, or right inside it. */
  readonly combinator: ' ' | '>' | null;
  readonly parts: readonly Part[];
}
interface Rule {
  readonly selector: readonly Compound[];
  readonly specificity: number;
  readonly order: number;
  readonly declarations: readonly { property: string; value: string; important: boolean }[];
}

export interface StyleSheet {
  readonly rules: readonly Rule[];
  /** Selectors and at-rules that were not understood. */
  readonly leftOut: readonly string[];
}

const WEIGHT: Record<string, number> = { IdSelector: 1e6, ClassSelector: 1e3, TypeSelector: 1 };

function declarationsOf(block: CssNode): { property: string; value: string; important: boolean }[] {
  const out: { property: string; value: string; important: boolean }[] = [];
  walk(block, {
    visit: 'Declaration',
    enter(node) {
      out.push({
        property: node.property.toLowerCase(),
        value: generate(node.value).trim(),
        important: node.important !== false,
      });
    },
  });
  return out;
}

function compounds(selector: CssNode): Compound[] | null {
  if (selector.type !== 'Selector') return null;
  const out: { combinator: ' ' | '>' | null; parts: Part[] }[] = [{ combinator: null, parts: [] }];
  for (const node of selector.children) {
    if (node.type === 'Combinator') {
      if (node.name !== ' ' && node.name !== '>') return null;
      out.push({ combinator: node.name, parts: [] });
    } else if (node.type === 'TypeSelector' || node.type === 'ClassSelector' || node.type === 'IdSelector') {
      out.at(-1)!.parts.push({ type: node.type, name: node.name });
    } else return null;
  }
  return out;
}

/** Reads a simple style sheet: selectors of types, classes and ids with descendants and children. */
export function readStyles(text: string): StyleSheet {
  const rules: Rule[] = [];
  const leftOut: string[] = [];
  const sheet = parse(text, { onParseError: () => undefined, parseCustomProperty: false });
  if (sheet.type !== 'StyleSheet') return { rules, leftOut };
  let order = 0;
  for (const node of sheet.children) {
    if (node.type === 'Atrule') leftOut.push(`@${node.name}`);
    if (node.type !== 'Rule' || node.prelude.type !== 'SelectorList') continue;
    const declarations = declarationsOf(node.block);
    for (const selector of node.prelude.children) {
      const read = compounds(selector);
      if (!read) {
        leftOut.push(generate(selector));
        continue;
      }
      const specificity = read
        .flatMap((c) => c.parts)
        .reduce((sum, p) => sum + (p.name === '*' ? 0 : WEIGHT[p.type]!), 0);
      rules.push({ selector: read, specificity, order: order++, declarations });
    }
  }
  return { rules, leftOut };
}

const matchesCompound = (element: Element, { parts }: Compound): boolean =>
  parts.every(({ type, name }) => {
    if (type === 'TypeSelector') return name === '*' || name === element.name;
    if (type === 'IdSelector') return element.attributes.id === name;
    return (element.attributes.class ?? '').split(/\s+/).includes(name);
  });

/** @param above the element's ancestors, outermost first. */
function matches(element: Element, above: readonly Element[], selector: readonly Compound[]): boolean {
  const last = selector.length - 1;
  if (!matchesCompound(element, selector[last]!)) return false;
  if (last === 0) return true;
  const rest = selector.slice(0, -1);
  if (selector[last]!.combinator === '>') {
    const parent = above.at(-1);
    return parent !== undefined && matches(parent, above.slice(0, -1), rest);
  }
  return above.some((ancestor, i) => matches(ancestor, above.slice(0, i), rest));
}

/** What style sheets and the element's own attributes say, weighed as the CSS cascade does. */
export function cascade(
  element: Element,
  above: readonly Element[],
  sheets: readonly StyleSheet[],
): Declarations {
  const out: Declarations = { ...element.attributes };
  const important: Declarations = {};
  const applying = sheets
    .flatMap((sheet, index) => sheet.rules.map((rule) => ({ rule, index })))
    .filter(({ rule }) => matches(element, above, rule.selector))
    .sort(
      (a, b) => a.rule.specificity - b.rule.specificity || a.index - b.index || a.rule.order - b.rule.order,
    );
  const take = (all: readonly { property: string; value: string; important: boolean }[]): void => {
    for (const d of all) (d.important ? important : out)[d.property] = d.value;
  };
  for (const { rule } of applying) take(rule.declarations);
  const own = element.attributes.style;
  if (own) take(declarationsOf(parse(own, { context: 'declarationList', onParseError: () => undefined })));
  return { ...out, ...important };
}
