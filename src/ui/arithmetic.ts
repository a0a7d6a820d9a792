/**
 * What a sum comes to that was typed where a number goes: + − × ÷ and brackets, × and ÷ before + and −, as at school. Numbers may
 * have a comma for their point. Null where it is no sum, or comes to nothing finite.
 */
export function arithmetic(text: string): number | null {
  const tokens = text.match(/(?:\d+(?:[.,]\d+)?|[.,]\d+)|[-+−*×/÷:()]|\S/g) ?? [];
  let at = 0;
  /** Whether the next sign is one of these; it is taken then. */
  const takes = (signs: string): string | null =>
    tokens[at] !== undefined && signs.includes(tokens[at]!) ? tokens[at++]! : null;
  function factor(): number {
    if (takes('-−')) return -factor();
    if (takes('+')) return factor();
    if (takes('(')) {
      const inner = sum();
      return takes(')') ? inner : NaN;
    }
    const token = tokens[at++];
    return token !== undefined && /\d$/.test(token) ? Number(token.replace(',', '.')) : NaN;
  }
  function product(): number {
    let value = factor();
    for (let sign = takes('*×/÷:'); sign; sign = takes('*×/÷:'))
      value = '*×'.includes(sign) ? value * factor() : value / factor();
    return value;
  }
  function sum(): number {
    let value = product();
    for (let sign = takes('+-−'); sign; sign = takes('+-−')) value += sign === '+' ? product() : -product();
    return value;
  }
  const value = sum();
  return at === tokens.length && Number.isFinite(value) ? value : null;
}
