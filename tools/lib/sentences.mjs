/**
 * Every sentence that a user can meet, read out of the code: text of pages, strings of more than a word, and
 * labels. What is put in at run time is an ellipsis.
 */
import { readFileSync } from 'node:fs';
import ts from 'typescript';

/** Attributes of page parts that nobody reads. */
const UNREAD_ATTRIBUTES =
  /^(className|class|d|to|href|id|key|viewBox|type|name|role|value|fill|stroke|style|transform|points|htmlFor|form|accept|pattern|rel|lang|data-.*|aria-(labelledby|describedby|controls|live))$/;

/** The styles of a part: words with hyphens, colons and brackets, and none with a capital letter or a full stop. */
const CLASS_WORD = /^-?[a-z0-9!&*>[\]()/:_.,%#'"=~+-]+$/;
const STYLE_WORDS =
  /^(flex|grid|hidden|block|inline|relative|absolute|fixed|sticky|border|rounded|underline|truncate|italic|uppercase|contents|group|peer|shrink|grow)$|^-?[a-z]+(-[a-z0-9]+)+$|[:[]/;

function isStyle(text) {
  const words = text.trim().split(/\s+/);
  if (!words.every((word) => CLASS_WORD.test(word))) return false;
  return words.filter((word) => STYLE_WORDS.test(word)).length >= words.length / 2;
}

const isCapitalised = (text) => /^[A-Z][a-z]{2,}[?!.:…]?$/.test(text);
const isRead = (text) =>
  /[A-Za-z]{2}/.test(text) && !isStyle(text) && (text.includes(' ') || isCapitalised(text));

const tidy = (text) => text.replace(/\s+/g, ' ').trim();

const withGaps = (template) =>
  template.head.text + template.templateSpans.map(({ literal }) => `…${literal.text}`).join('');

/** What stands between the tags of a page part, as it is read: inner parts in a row. */
function shownIn(node) {
  if (ts.isJsxText(node)) return node.text.replace(/\s*\n\s*/g, (gap, at) => (at === 0 ? '' : ' '));
  if (ts.isJsxExpression(node)) {
    const inner = node.expression;
    if (!inner) return '';
    return ts.isStringLiteral(inner) || ts.isNoSubstitutionTemplateLiteral(inner) ? inner.text : '…';
  }
  if (ts.isJsxElement(node)) return node.children.map(shownIn).join('') || '…';
  return '…';
}

const hasText = (node) => node.children.some((child) => ts.isJsxText(child) && /[A-Za-z]{2}/.test(child.text));

/** @returns {string[]} the sentences of one file, in the order of the file */
export function sentencesOf(path, source = readFileSync(path, 'utf8')) {
  const found = [];
  const take = (text) => {
    const whole = tidy(text);
    if (isRead(whole)) found.push(whole);
  };
  const visit = (node, isPartOfText) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isJsxAttribute(node) && UNREAD_ATTRIBUTES.test(node.name.getText())) return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) take(node.text);
    else if (ts.isTemplateExpression(node)) take(withGaps(node));
    const isText = ts.isJsxElement(node) || ts.isJsxFragment(node) ? hasText(node) : false;
    if (isText && !isPartOfText) {
      const whole = tidy(node.children.map(shownIn).join(''));
      if (/[A-Za-z]{2}/.test(whole)) found.push(whole);
    }
    ts.forEachChild(node, (child) => visit(child, isPartOfText ? ts.isJsxElement(child) : isText));
  };
  const kind = path.endsWith('x') ? ts.ScriptKind.TSX : path.endsWith('.mjs') ? ts.ScriptKind.JS : ts.ScriptKind.TS;
  visit(ts.createSourceFile(path, source, ts.ScriptTarget.Latest, true, kind), false);
  return found;
}
