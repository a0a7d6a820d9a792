import ts from 'typescript';

/** A small fault that can be put into a source: what is written in place of what. */
export interface Mutation {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  /** What it is, in words. */
  readonly what: string;
}

/** Operators that are taken for one another by mistake. */
const SWAPPED: Partial<Record<ts.SyntaxKind, string>> = {
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
  [ts.SyntaxKind.PercentToken]: '*',
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.PlusEqualsToken]: '-=',
  [ts.SyntaxKind.MinusEqualsToken]: '+=',
};
/** Methods that are taken for one another by mistake. */
const METHODS = new Map(
  Object.entries({
    min: 'max',
    max: 'min',
    floor: 'ceil',
    ceil: 'floor',
    some: 'every',
    every: 'some',
    sin: 'cos',
    cos: 'sin',
  }),
);

/** All single faults that can be put into a source; types hold none. */
export function mutationsIn(name: string, source: string): Mutation[] {
  const file = ts.createSourceFile(name, source, ts.ScriptTarget.Latest, true);
  const found: Mutation[] = [];
  const put = (node: ts.Node, text: string): void => {
    const from = node.getStart(file);
    const was = source.slice(from, node.end).replace(/\s+/g, ' ');
    const [old, now] = [was, text.replace(/\s+/g, ' ')].map((words) =>
      words.length > 60 ? `${words.slice(0, 57)}…` : words,
    );
    const { line } = file.getLineAndCharacterOfPosition(from);
    found.push({ from, to: node.end, text, what: `${name}:${line + 1} ${old} → ${now || 'nothing'}` });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isTypeAliasDeclaration(node) || ts.isExportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const swapped = SWAPPED[node.operatorToken.kind];
      // Words that are put together are no sum.
      const isWords = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      );
      if (swapped && !isWords) put(node.operatorToken, swapped);
      if (node.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken) put(node, node.left.getText(file));
    } else if (ts.isNumericLiteral(node)) {
      const isZero = Number(node.text.replaceAll('_', '')) === 0;
      put(node, isZero ? '1' : `(${node.getText(file)} * 2)`);
    } else if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, 'false');
    else if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, 'true');
    else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put(node, node.operand.getText(file));
    else if (ts.isConditionalExpression(node)) put(node.condition, `!(${node.condition.getText(file)})`);
    else if (ts.isIfStatement(node)) put(node.expression, `!(${node.expression.getText(file)})`);
    else if (ts.isExpressionStatement(node) && ts.isCallExpression(node.expression)) put(node, ';');
    else if (ts.isPropertyAccessExpression(node) && ts.isCallExpression(node.parent)) {
      const other = METHODS.get(node.name.text);
      if (other && node.parent.expression === node) put(node.name, other);
    } else if (ts.isSpreadElement(node) && ts.isArrayLiteralExpression(node.parent)) put(node, '...[]');
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

/** A source with a fault in it. */
export const mutated = (source: string, { from, to, text }: Mutation): string =>
  source.slice(0, from) + text + source.slice(to);
