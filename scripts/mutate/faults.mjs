// The faults that can be planted in a source: one changed operator, constant, branch or sign each.
import ts from 'typescript';

const OPERATORS = {
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
};

/** Whether a plus joins texts: taken from one another they would not compile, and the types would say so before any test. */
function joinsText(node) {
  return [node.left, node.right].some((side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side));
}

/** All faults of a source: where, what stands there now, and what would stand there instead. */
export function faultsOf(path, text) {
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  const found = [];
  const plant = (kind, node, instead) =>
    found.push({
      kind,
      path,
      start: node.getStart(source),
      end: node.getEnd(),
      instead,
      line: source.getLineAndCharacterOfPosition(node.getStart(source)).line + 1,
    });
  const visit = (node) => {
    // Types and what is thrown for programmers are no behaviour.
    if (ts.isTypeNode(node) || ts.isThrowStatement(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const instead = OPERATORS[node.operatorToken.kind];
      if (instead && !joinsText(node)) plant('operator', node.operatorToken, instead);
    }
    if (ts.isNumericLiteral(node) && !ts.isPropertyAssignment(node.parent?.parent ?? node))
      plant('constant', node, String(Number(node.text) + 1));
    if (ts.isConditionalExpression(node)) plant('branch', node.condition, `!(${node.condition.getText(source)})`);
    if (ts.isIfStatement(node)) plant('branch', node.expression, `!(${node.expression.getText(source)})`);
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.MinusToken)
      plant('sign', node, node.operand.getText(source));
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}
