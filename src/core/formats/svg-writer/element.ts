/** Attributes in their order; what is undefined is left out. */
export type Attributes = Readonly<Record<string, string | number | undefined>>;

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

/** A number with so many digits after the point as a hundredth of a pixel needs, or as asked. */
export const short = (value: number, digits = 2): string => {
  const power = 10 ** digits;
  return String(Math.round(value * power) / power + 0);
};

/** An element of SVG as text. */
export function element(tag: string, attributes: Attributes, content = ''): string {
  const written = Object.entries(attributes)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => ` ${name}="${escaped(typeof value === 'number' ? short(value, 4) : value!)}"`)
    .join('');
  return content === '' ? `<${tag}${written}/>` : `<${tag}${written}>${content}</${tag}>`;
}

/** Text between elements. */
export const text = escaped;
