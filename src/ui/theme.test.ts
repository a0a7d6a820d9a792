import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { wcagContrast as contrast } from 'culori';

const source = readFileSync(join(__dirname, 'theme.ts'), 'utf8');
const rolesIn = (block: string): Record<string, string> =>
  Object.fromEntries(
    [...block.matchAll(/--(\w+(?:-\w+)*): (#[0-9a-f]{6});/g)].map(([, name, value]) => [name!, value!]),
  );
const [dark, light] = [/:root \{(.*?)\}/s, /const LIGHT = `(.*?)`/s].map((rule) =>
  rolesIn(rule.exec(source)![1]!),
) as [Record<string, string>, Record<string, string>];

test('both themes give every role a colour', () => {
  expect(Object.keys(light).sort()).toEqual(Object.keys(dark).sort());
});

// WCAG 2.2, 1.4.3 and 1.4.11: text 4.5 to 1, what only marks a state 3 to 1.
test.each([
  ['dark', dark],
  ['light', light],
])('%s: text reads on every surface, marks are told from them', (_, roles) => {
  for (const surface of ['ground', 'panel', 'raised', 'desk']) {
    expect([surface, contrast(roles.text!, roles[surface]!) >= 4.5]).toEqual([surface, true]);
    expect([surface, contrast(roles.head!, roles[surface]!) >= 3]).toEqual([surface, true]);
    expect([surface, contrast(roles.tail!, roles[surface]!) >= 3]).toEqual([surface, true]);
    expect([surface, contrast(roles.line!, roles[surface]!) >= 3]).toEqual([surface, true]);
    expect([surface, contrast(roles.caution!, roles[surface]!) >= 3]).toEqual([surface, true]);
  }
  for (const surface of ['ground', 'panel', 'raised', 'desk', 'pressed'])
    expect([surface, contrast(roles.quiet!, roles[surface]!) >= 4.5]).toEqual([surface, true]);
  // Words that do something, and what warns, are written in these.
  for (const surface of ['ground', 'panel', 'raised'])
    for (const role of ['head', 'tail', 'caution'])
      expect([role, surface, contrast(roles[role]!, roles[surface]!) >= 4.5]).toEqual([role, surface, true]);
  for (const role of ['head', 'head-hovered', 'head-pressed'])
    expect([role, contrast(roles['on-head']!, roles[role]!) >= 4.5]).toEqual([role, true]);
  expect(contrast(roles.text!, roles.pressed!)).toBeGreaterThanOrEqual(4.5);
});
