import { generate, parse, walk } from 'css-tree';

/** One keyframe of a rule: where it stands, 0 to 1, and what it says. */
export interface KeyframeRule {
  readonly at: number;
  readonly says: Readonly<Record<string, string>>;
}

const placeOf = (text: string): number | null => {
  if (text === 'from') return 0;
  if (text === 'to') return 1;
  const share = /^(\d+(?:\.\d*)?|\.\d+)%$/.exec(text);
  return share ? Number(share[1]) / 100 : null;
};

/** The @keyframes rules of style sheets by their names (CSS Animations 1); of several with one name the last counts. */
export function keyframeRules(sheets: readonly string[]): ReadonlyMap<string, readonly KeyframeRule[]> {
  const rules = new Map<string, readonly KeyframeRule[]>();
  for (const text of sheets) {
    const sheet = parse(text, { onParseError: () => undefined });
    walk(sheet, {
      visit: 'Atrule',
      enter(rule) {
        if (!/^(-webkit-)?keyframes$/.test(rule.name) || !rule.prelude || !rule.block) return;
        const frames: KeyframeRule[] = [];
        for (const node of rule.block.children) {
          if (node.type !== 'Rule') continue;
          const says: Record<string, string> = {};
          for (const part of node.block.children)
            if (part.type === 'Declaration') says[part.property] = generate(part.value).trim();
          for (const place of generate(node.prelude).split(',')) {
            const at = placeOf(place.trim());
            if (at !== null) frames.push({ at, says });
          }
        }
        rules.set(
          generate(rule.prelude).trim(),
          frames.sort((a, b) => a.at - b.at),
        );
      },
    });
  }
  return rules;
}
