import { measurePath } from '../../geometry';
import { seeded } from '../../testing/families';
import { readSvg, strokesFromShapes, SvgError } from '.';
import { times } from '../../testing/cases';

const svg = (inside: string, head = 'viewBox="0 0 100 100" width="200" height="200"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}>${inside}</svg>`;

test('style sheets, attributes and inline styles weigh as the CSS cascade has it, and inherit', () => {
  const { shapes } = readSvg(
    svg(`<style>.a{fill:red} #b{fill:blue} g > path{stroke:#0f0;stroke-width:4} rect{fill:lime !important}</style>
      <g fill="yellow" stroke-linecap="round">
        <path class="a" d="M0 0h9v9z"/><path id="b" class="a" d="M0 0h9v9z" style="fill:#123456"/>
        <path d="M0 0h9v9z"/></g>
      <rect style="fill:red" width="5" height="5"/><g color="#0af"><circle r="4" fill="currentColor"/></g>`),
  );
  expect(shapes.map((s) => s.fill)).toEqual(['#ff0000', '#123456', '#ffff00', '#00ff00', '#00aaff']);
  expect(shapes[0]!.line).toMatchObject({ colour: '#00ff00', width: 4, cap: 'round' });
  expect(shapes[3]!.line).toBeNull();
});

test('transforms nest, use and symbols are placed, viewBox and units scale', () => {
  const { width, height, shapes } = readSvg(
    svg(
      `<defs><symbol id="s" viewBox="0 0 10 10"><rect width="10" height="10"/></symbol><path id="p" d="M0 0h10"/></defs>
       <g transform="translate(10 20) scale(2)"><use href="#p" x="5" transform="rotate(90)" stroke="red"/></g>
       <use xlink:href="#s" x="20" y="30" width="40" height="40"/>`,
      'viewBox="0 0 100 50" width="4in"',
    ),
  );
  expect([width, height]).toEqual([384, 192]);
  const [line, box] = shapes;
  // 3.84 px to a unit; turned by 90° about the moved origin, 5 units along.
  expect(line!.transform.map((n) => Math.round(n * 100) / 100)).toEqual([0, 7.68, -7.68, 0, 38.4, 115.2]);
  expect(box!.transform.map((n) => Math.round(n * 100) / 100)).toEqual([15.36, 0, 0, 15.36, 76.8, 115.2]);
});

test('what is not shown as it should be is named, and nothing of it is kept; what changes nothing is not', () => {
  const { shapes, leftOut } = readSvg(
    svg(`<script>alert(1)</script><text>Tide</text><image href="http://a.example/x.png"/>
      <path onclick="steal()" d="M0 0L9 9 5"/><use href="other.svg#x"/><use href="#u" id="u"/>
      <linearGradient id="g"><stop stop-color="red"/><stop offset="1" stop-color="blue"/></linearGradient>
      <rect width="9" height="9" fill="url(#g)" filter="url(#f)"/><foreignObject><b xmlns="http://www.w3.org/1999/xhtml">x</b></foreignObject>`),
  );
  expect(shapes).toHaveLength(2);
  for (const words of [
    'scripts',
    'text (turn',
    'embedded pictures',
    'references to other files',
    'filters',
    'foreign content',
  ])
    expect(leftOut.join('; ')).toContain(words);
  expect(leftOut).toHaveLength(6);
  expect(JSON.stringify(shapes)).not.toMatch(/alert|steal|example/);
});

test('stroked paths come in as strokes with their ink', () => {
  const read = readSvg(
    svg('<path d="M10 10h30M0 50h20" stroke="#f80" stroke-width="3" fill="none" stroke-linecap="square"/>'),
  );
  const strokes = strokesFromShapes(read, [0.5, 0, 0, 0.5, 0, 0]);
  expect(strokes.map((s) => measurePath(s.path).length)).toEqual([30, 20]);
  expect(strokes[0]!.ink).toEqual({ width: 3, colour: '#ff8800', opacity: 1, cap: 'square', join: 'miter' });
});

test.each([
  ['no picture', '<html></html>', /no SVG picture/],
  ['cut short', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0', /not well-formed/],
  [
    'an entity from outside',
    '<!DOCTYPE svg [<!ENTITY e SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg"><desc>&e;</desc></svg>',
    /from outside itself/,
  ],
  [
    'entities that unfold',
    `<!DOCTYPE svg [<!ENTITY a0 "aaaaaaaaaa">${Array.from({ length: 9 }, (_, i) => `<!ENTITY a${i + 1} "${`&a${i};`.repeat(10)}">`).join('')}]><svg xmlns="http://www.w3.org/2000/svg">&a9;</svg>`,
    /unfolds to more/,
  ],
  [
    'an entity that holds itself',
    '<!DOCTYPE svg [<!ENTITY a "&b;"><!ENTITY b "&a;">]><svg xmlns="http://www.w3.org/2000/svg"/>',
    /holds itself/,
  ],
  [
    'an entity with elements in it',
    '<!DOCTYPE svg [<!ENTITY a "<path d=\'M0 0h9\'/>">]><svg xmlns="http://www.w3.org/2000/svg">&a;</svg>',
    /holds elements/,
  ],
  ['too deep', svg('<g>'.repeat(300) + '</g>'.repeat(300)), /deeper/],
  ['too large', `<svg>${' '.repeat(8_000_001)}</svg>`, /million/],
  ['without size', svg('<path d="M0 0h9"/>', 'width="0" height="0"'), /no size/],
  ['without width', svg('<path d="M0 0h9"/>', 'width="0" height="9"'), /no size/],
  [
    'uses that multiply',
    svg(
      `<defs><path id="u0" d="M0 0h1"/>${Array.from({ length: 12 }, (_, i) => `<g id="u${i + 1}">${`<use href="#u${i}"/>`.repeat(9)}</g>`).join('')}</defs><use href="#u12"/>`,
    ),
    /more than 20000 shapes/,
  ],
])('%s is refused in words', (_, source, words) => {
  expect(() => readSvg(source)).toThrow(SvgError);
  expect(() => readSvg(source)).toThrow(words);
});

test('a seeded fuzz: whatever is broken in a file, it is read or refused in words', () => {
  const random = seeded(404);
  const good =
    svg(`<style>.a{fill:red}</style><g transform="rotate(30 5 5) skewX(9)"><path class="a" d="M1 2C3 4 5 6 7 8S9 9 1 1z"/>
    <ellipse rx="4" ry="2"/><polygon points="1,2 3,4 5,1"/></g><use href="#x"/><rect id="x" rx="2" width="10%" height="1em"/>`);
  const pieces = [
    '<',
    '>',
    '"',
    '&',
    'NaN',
    '1e400',
    '-',
    'url(#x)',
    '</g>',
    '%',
    '\u0000',
    'matrix(',
    '#',
    '{',
    '}',
    '<use href="#x"/>',
  ];
  let read = 0;
  const tries = times(200, 5000);
  for (let i = 0; i < tries; i++) {
    let text = good;
    for (let k = 0; k < 1 + Math.floor(random() * 4); k++) {
      const at = Math.floor(random() * text.length);
      const cut = Math.floor(random() * 12);
      text =
        text.slice(0, at) +
        (random() < 0.6 ? pieces[Math.floor(random() * pieces.length)]! : '') +
        text.slice(at + cut);
    }
    try {
      const { shapes } = readSvg(text);
      read++;
      for (const shape of shapes) {
        expect(shape.data).toMatch(/^[MLCZ\d\s.eE+-]*$/);
        expect(shape.transform.every(Number.isFinite)).toBe(true);
      }
    } catch (error) {
      expect(error).toBeInstanceOf(SvgError);
    }
  }
  // Neither all refused nor all read: both ways were walked.
  expect(read).toBeGreaterThan(tries / 20);
  expect(read).toBeLessThan(tries);
});

test('a number out of range is no number: a shape ends before it', () => {
  const shapesOf = (body: string, attributes?: string) => readSvg(svg(body, attributes));
  for (const points of ['1,2 3,4 1e400,1', '1,2 3,4 5,1e400', '1,2 3,4 -1e400']) {
    expect(shapesOf(`<polygon points="${points}"/>`).shapes.map(({ data }) => data)).toEqual(['M1 2L3 4Z']);
  }
  for (const body of [
    '<rect width="1e400" height="5"/>',
    '<g transform="translate(1e400 2)"><path d="M0 0L5 5L1e400 9"/></g>',
    '<path d="M0 0H9" stroke="red"><animate attributeName="stroke-dashoffset" from="9" to="0" dur="1.2.3"/></path>',
  ])
    for (const { data, transform } of shapesOf(body).shapes)
      expect([/^[MLCZ\d\s.eE+-]*$/.test(data), transform.every(Number.isFinite)]).toEqual([true, true]);
  const boxes = shapesOf('<path d="M0 0L5 5V9Z"/>', 'viewBox="0 0 1e400 9"');
  expect([boxes.width, boxes.height]).toEqual([300, 150]);
});

test('files made to take long are read at once, or refused in words', () => {
  const file = (inner: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10" viewBox="0 0 10 10">${inner}</svg>`;
  const rect = (attributes: string) => file(`<rect x="1" y="1" width="5" height="5" ${attributes}/>`);
  // Read by a rule that tries every way, each of these would take hours.
  const long = times(400_000, 2_000_000);
  expect(readSvg(rect(`fill="rgb(${'1'.repeat(long)}"`)).shapes[0]!.fill).toBe('#000000');
  expect(readSvg(rect(`stroke="red" stroke-width="${'1'.repeat(long)}!"`)).shapes).toHaveLength(1);
  expect(readSvg(rect(`transform="${' '.repeat(long)}x"`)).shapes).toHaveLength(1);
  expect(readSvg(rect(`style="fill:url(${'a'.repeat(long)}"`)).leftOut).toHaveLength(1);
  const variables = Array.from({ length: 30 }, (_, i) => `--v${i + 1}:var(--v${i})var(--v${i});`).join('');
  expect(readSvg(rect(`style="--v0:red;${variables}fill:var(--v30)"`)).shapes).toHaveLength(1);
  const numbers = file(
    `<polyline fill="none" stroke="red" points="${'1 2 '.repeat(100_000)}${'3'.repeat(long)}"/>`,
  );
  expect(readSvg(numbers).shapes).toHaveLength(1);
  // Each element is compared only with the rules that name it.
  const rules = Array.from({ length: 5000 }, (_, i) => `.c${i}{fill:#00ff00}`).join('');
  const elements = Array.from(
    { length: times(5000, 15_000) },
    (_, i) => `<rect width="1" height="1" class="c${i % 5000}"/>`,
  );
  const styled = readSvg(file(`<style>${rules}</style>${elements.join('')}`));
  expect(new Set(styled.shapes.map((shape) => shape.fill))).toEqual(new Set(['#00ff00']));
  const hostile = `<style>${Array.from({ length: 3000 }, () => 'g g g rect{fill:red}').join('')}</style>`;
  const deep = `${'<g>'.repeat(60)}${'<rect width="1" height="1"/>'.repeat(5000)}${'</g>'.repeat(60)}`;
  expect(() => readSvg(file(hostile + deep))).toThrow(/style rules meet too many elements/);
  expect(() => readSvg(file(`<path d="M0 0${'a1 1 0 1 0 1 0'.repeat(400_000)}"/>`))).toThrow(
    /lines and curves/,
  );
});
