import { compile, type Options } from 'css-select';
import { parse as parseSelector, type Selector } from 'css-what';
import { generate, parse, walk, type CssNode, type Rule as CssRule } from 'css-tree';
import { SvgError } from './fault';
import { isValid } from './properties';
import { SVG_LIMITS, type Element } from './xml';

/** Properties of an element as CSS sets them, without inheritance. */
export type Declarations = Record<string, string>;

interface Declaration {
  readonly property: string;
  readonly value: string;
  readonly important: boolean;
}
interface Rule {
  readonly matches: (element: Element) => boolean;
  /** Type, class or id that its last part asks for most strictly, by which few elements are compared with it. */
  readonly bucket: string;
  readonly specificity: number;
  readonly order: number;
  readonly declarations: readonly Declaration[];
}

/** How css-select walks elements of ours. */
const OPTIONS: Options<Element, Element> = {
  xmlMode: true,
  adapter: {
    isTag: (node): node is Element => node !== null,
    getChildren: (node) => [...node.children],
    getParent: (node) => node.parent,
    getSiblings: (node) => (node.parent ? [...node.parent.children] : [node]),
    getName: (node) => node.name,
    getAttributeValue: (node, name) => node.attributes[name],
    hasAttrib: (node, name) => Object.hasOwn(node.attributes, name),
    getText: (node) => node.text,
    existsOne: (test, nodes) => nodes.some(test),
    findAll: (test, nodes) => nodes.filter(test),
    findOne: (test, nodes) => nodes.find(test) ?? null,
    removeSubsets: (nodes) => nodes,
  },
};

/** What is true of nothing in a picture that stands still: such rules are never applied, and nothing is left out. */
const NEVER = new Set([
  ...['hover', 'active', 'focus', 'focus-visible', 'focus-within', 'visited', 'target', 'checked'],
]);

function declarationsOf(block: CssNode): Declaration[] {
  const out: Declaration[] = [];
  walk(block, {
    visit: 'Declaration',
    enter(node) {
      const property = node.property.startsWith('--') ? node.property : node.property.toLowerCase();
      const value = generate(node.value).trim();
      // What is not valid is as if it were not there: what is weaker counts.
      if (isValid(property, value)) out.push({ property, value, important: node.important !== false });
    },
  });
  return out;
}

/** Specificity of Selectors 4, 16, as one number: ids, then classes, attributes and pseudo-classes, then types. */
function weightOf(selector: readonly Selector[]): number {
  return selector.reduce((sum, token) => {
    if (token.type === 'tag') return sum + 1;
    if (token.type === 'attribute')
      return sum + (token.name === 'id' && token.action === 'equals' ? 1e6 : 1e3);
    if (token.type !== 'pseudo') return sum;
    if (!Array.isArray(token.data)) return sum + 1e3;
    return token.name === 'where' ? sum : sum + Math.max(...token.data.map(weightOf));
  }, 0);
}

const COMBINATORS = new Set(['descendant', 'child', 'adjacent', 'sibling', 'parent']);

function bucketOf(selector: readonly Selector[]): string {
  const from = selector.findLastIndex((token) => COMBINATORS.has(token.type)) + 1;
  const last = selector.slice(from);
  for (const [name, action] of [
    ['id', 'equals'],
    ['class', 'element'],
  ] as const) {
    const found = last.find((t) => t.type === 'attribute' && t.name === name && t.action === action);
    if (found?.type === 'attribute') return `${name} ${found.value}`;
  }
  const tag = last.find((token) => token.type === 'tag');
  return tag?.type === 'tag' ? `type ${tag.name}` : 'any';
}

function rulesOf(node: CssRule, order: number, leftOut: Set<string>): Rule[] {
  if (node.prelude.type !== 'SelectorList') return [];
  const declarations = declarationsOf(node.block);
  return [...node.prelude.children].flatMap((child): Rule[] => {
    const text = generate(child);
    try {
      const [selector] = parseSelector(text);
      if (!selector || selector.some((t) => t.type === 'pseudo' && NEVER.has(t.name))) return [];
      const matches = compile<Element, Element>(text, OPTIONS);
      return [{ matches, bucket: bucketOf(selector), specificity: weightOf(selector), order, declarations }];
    } catch {
      leftOut.add(`the style rule ${text.slice(0, 40)}`);
      return [];
    }
  });
}

/** At-rules that change nothing of a picture that stands still. */
const HARMLESS = new Set(['charset', 'namespace', 'font-face', 'keyframes', '-webkit-keyframes', 'page']);
/** Media that a picture on a screen is, read with its motion. */
const SHOWN = /^(all|screen|only screen|\(prefers-reduced-motion:\s*no-preference\))?$/i;
const NOT_SHOWN = /^((only\s+)?(print|speech)\b|\(prefers-reduced-motion(:\s*reduce)?\)$)/i;

function readSheet(children: Iterable<CssNode>, rules: Rule[], leftOut: Set<string>): void {
  for (const node of children) {
    if (node.type === 'Rule') rules.push(...rulesOf(node, rules.length, leftOut));
    if (node.type !== 'Atrule' || HARMLESS.has(node.name)) continue;
    const condition = node.prelude ? generate(node.prelude).trim() : '';
    if (node.name === 'media' && NOT_SHOWN.test(condition)) continue;
    if (node.name === 'media' && SHOWN.test(condition) && node.block)
      readSheet(node.block.children, rules, leftOut);
    else leftOut.add(`the style rule @${node.name} ${condition}`.trim().slice(0, 54));
  }
}

/**
 * The cascade of CSS over some style sheets: what they and an element's own attributes say of it. An element is compared only
 * with rules that name its type, class or id.
 * @throws SvgError where a file makes so many comparisons that it would take minutes.
 */
export function cascadeOf(
  sheets: readonly string[],
  leftOut: Set<string>,
): (element: Element) => Declarations {
  const rules: Rule[] = [];
  for (const text of sheets) {
    const sheet = parse(text, { onParseError: () => undefined, parseCustomProperty: false });
    if (sheet.type === 'StyleSheet') readSheet(sheet.children, rules, leftOut);
  }
  const buckets = new Map<string, Rule[]>();
  for (const rule of rules) {
    const known = buckets.get(rule.bucket);
    if (known) known.push(rule);
    else buckets.set(rule.bucket, [rule]);
  }
  let comparisons = 0;
  const applies = ({ matches }: Rule, element: Element): boolean => {
    if (++comparisons > SVG_LIMITS.comparisons)
      throw new SvgError('Its style rules meet too many elements to be read in reasonable time.');
    return matches(element);
  };
  const known = new Map<Element, Declarations>();
  return (element) => {
    const before = known.get(element);
    if (before) return before;
    const classes = new Set((element.attributes.class ?? '').split(/\s+/));
    const keys = ['any', `type ${element.name}`, `id ${element.attributes.id}`];
    const applying = [...keys, ...[...classes].map((name) => `class ${name}`)]
      .flatMap((key) => buckets.get(key) ?? [])
      .filter((rule) => applies(rule, element))
      .sort((a, b) => a.specificity - b.specificity || a.order - b.order);
    const out: Declarations = Object.fromEntries(
      Object.entries(element.attributes).filter(([property, value]) => isValid(property, value)),
    );
    const important: Declarations = {};
    const take = (all: readonly Declaration[]): void => {
      for (const d of all) (d.important ? important : out)[d.property] = d.value;
    };
    for (const { declarations } of applying) take(declarations);
    const own = element.attributes.style;
    if (own) take(declarationsOf(parse(own, { context: 'declarationList', onParseError: () => undefined })));
    const all = { ...out, ...important };
    known.set(element, all);
    return all;
  };
}
