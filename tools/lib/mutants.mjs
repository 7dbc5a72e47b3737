/** Small wrong versions of a TypeScript file: a sign turned round, a limit moved, a branch exchanged. */
import ts from 'typescript';

/**
 * @typedef {object} Mutant
 * @property {string} file
 * @property {number} from where the changed text begins
 * @property {number} to
 * @property {string} text what stands there instead
 * @property {string} what in words, with the line
 */

const { SyntaxKind } = ts;

/** What each operator is exchanged for. */
const OPERATORS = new Map([
  [SyntaxKind.PlusToken, '-'],
  [SyntaxKind.MinusToken, '+'],
  [SyntaxKind.AsteriskToken, '/'],
  [SyntaxKind.SlashToken, '*'],
  [SyntaxKind.LessThanToken, '<='],
  [SyntaxKind.LessThanEqualsToken, '<'],
  [SyntaxKind.GreaterThanToken, '>='],
  [SyntaxKind.GreaterThanEqualsToken, '>'],
  [SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [SyntaxKind.AmpersandAmpersandToken, '||'],
  [SyntaxKind.BarBarToken, '&&'],
  [SyntaxKind.PlusEqualsToken, '-='],
  [SyntaxKind.MinusEqualsToken, '+='],
]);
const METHODS = new Map([
  ['min', 'max'],
  ['max', 'min'],
  ['some', 'every'],
  ['every', 'some'],
  ['ceil', 'floor'],
  ['floor', 'ceil'],
  ['find', 'findLast'],
  ['findLast', 'find'],
]);

/**
 * Every mutant of a file, in the order of its text.
 * @param {string} file
 * @param {string} source
 * @returns {Mutant[]}
 */
export function mutantsOf(file, source) {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);
  /** @type {Mutant[]} */
  const found = [];
  /**
   * @param {ts.Node} node
   * @param {string} text
   */
  const add = (node, text) => {
    const from = node.getStart(tree);
    const before = source.slice(from, node.end).replace(/\s+/g, ' ').slice(0, 50);
    const line = tree.getLineAndCharacterOfPosition(from).line + 1;
    found.push({ file, from, to: node.end, text, what: `${file}:${line}  ${before} → ${text.slice(0, 50)}` });
  };
  /** @param {ts.Node} node */
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const other = OPERATORS.get(node.operatorToken.kind);
      if (other && !isText(node)) add(node.operatorToken, other);
    } else if (ts.isNumericLiteral(node)) add(node, changedNumber(node.text));
    else if (ts.isPrefixUnaryExpression(node) && isTurned(node)) add(node, node.operand.getText(tree));
    else if (node.kind === SyntaxKind.TrueKeyword) add(node, 'false');
    else if (node.kind === SyntaxKind.FalseKeyword) add(node, 'true');
    else if (ts.isConditionalExpression(node)) add(node.condition, `!(${node.condition.getText(tree)})`);
    else if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText(tree)})`);
    else if (ts.isPropertyAccessExpression(node)) {
      const other = METHODS.get(node.name.text);
      if (other && ts.isCallExpression(node.parent) && node.parent.expression === node) add(node.name, other);
    }
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found;
}

/** Whether a sum is of texts: what is printed is not counted. @param {ts.BinaryExpression} node */
const isText = ({ left, right }) =>
  [left, right].some((side) => ts.isStringLiteral(side) || ts.isTemplateExpression(side));

/** @param {ts.PrefixUnaryExpression} node */
const isTurned = ({ operator }) =>
  operator === SyntaxKind.MinusToken || operator === SyntaxKind.ExclamationToken;

/** A third more, and one where there was none: far enough to matter, near enough to be overlooked. @param {string} text */
const changedNumber = (text) =>
  Number(text) === 0 ? '1' : String(Number((Number(text) * 1.34).toPrecision(4)));
