// Every place of a file where one thing can be changed.
import { readFileSync } from 'node:fs';
import ts from 'typescript';
import { harmlessBecause } from './harmless.mjs';

/** What an operator becomes. */
const OTHER = {
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
};

/** What stands where an index might be out of range, for the types alone: `row[j] ?? 0`. */
const isForTypes = ({ parent }) =>
  ts.isBinaryExpression(parent) &&
  parent.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken &&
  ts.isElementAccessExpression(parent.left);

const short = (text) => text.replace(/\s+/g, ' ').slice(0, 60);

/** The places of a file: from, to, and what stands there instead; with the line, and what becomes of what. */
export function placesIn(file) {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const places = [];
  /** Of a node its text, and what stands there instead; what is told is the part that is another. */
  const put = (node, instead, part = node, other = instead) => {
    const line = text.slice(0, part.getStart(source)).split('\n').length;
    const says = `${short(part.getText(source))} → ${short(other)}`;
    const because = harmlessBecause({ file, says }, text.split('\n')[line - 1] ?? '');
    places.push({ file, from: node.getStart(source), to: node.getEnd(), instead, line, says, because });
  };
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const operator = node.operatorToken.getText(source);
      const textual = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      );
      if (OTHER[operator] && !textual) {
        const instead = `${node.left.getText(source)} ${OTHER[operator]} ${node.right.getText(source)}`;
        put(node, instead, node.operatorToken, OTHER[operator]);
      }
    } else if (ts.isNumericLiteral(node) && node.parent.name !== node && !isForTypes(node)) {
      const value = Number(node.text.replace(/_/g, ''));
      // What is whole stays whole: half a place more in a list is none.
      put(node, value === 0 ? '1' : String(Number.isInteger(value) ? Math.ceil(value * 1.5) : value * 1.5));
    } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put(node, node.operand.getText(source));
    else if (node.kind === ts.SyntaxKind.TrueKeyword || node.kind === ts.SyntaxKind.FalseKeyword)
      put(node, node.kind === ts.SyntaxKind.TrueKeyword ? 'false' : 'true');
    else if (ts.isConditionalExpression(node)) put(node.condition, `!(${node.condition.getText(source)})`);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return places;
}

/** The text of a file with each of its changes in it, behind a switch; none of them lies in another. */
export function switched(text, changes) {
  let now = text;
  for (const { id, from, to, instead } of [...changes].sort((a, b) => b.from - a.from))
    now = `${now.slice(0, from)}(globalThis.changed(${id}) ? (${instead}) : (${now.slice(from, to)}))${now.slice(to)}`;
  return now;
}
