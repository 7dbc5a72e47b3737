/**
 * Every sentence that a user can meet, read out of the code: text of pages, strings of more than one word, and
 * labels. What is put in at run time is an ellipsis.
 */
import { readdirSync, readFileSync } from 'node:fs';
import ts from 'typescript';

const ROOMS = ['app', 'cli', 'core', 'formats', 'server', 'stand-in', 'tools'];

/** Words that manuals use and not we, and tools for those who work on Live Tune. */
const NOT_OURS =
  /(nameRules|choiceRules|sizeWords|workshop\/words)\.ts$|server\/migrations\/|tools\/(mutate|eachNode|repeat|sentences)|tools\/lib\/sentences/;
const IS_TEST = /\.(test|spec|fixture|bench)\.tsx?$|\.long\.test\.ts$/;

/** Attributes of page parts that nobody reads. */
const UNREAD_ATTRIBUTES =
  /^(className|class|d|to|href|id|key|viewBox|type|name|role|value|fill|stroke|style|transform|points|htmlFor|form|accept|pattern|rel|lang|data-.*|aria-(labelledby|describedby|controls|live))$/;

/** One of the styles of a part. */
const STYLE_WORD = /^-?[a-z0-9!&*>[\]()/:_.,%#'"=~+-]+$/;
const IS_STYLE =
  /^(flex|grid|hidden|block|inline|relative|absolute|fixed|sticky|border|rounded|underline|truncate|italic|uppercase|contents|group|peer|shrink|grow)$|^-?[a-z]+(-[a-z0-9]+)+$|[:[]/;
const IS_QUERY =
  /\b(SELECT|INSERT INTO|FROM|WHERE|DESC|COLLATE|IS NULL|DISTINCT|EXISTS|strpos)\b|count\(\*\)|concat_ws/;

/** @param {string} text */
function isStyle(text) {
  const words = text.split(' ');
  if (!words.every((word) => STYLE_WORD.test(word))) return false;
  return words.filter((word) => IS_STYLE.test(word)).length >= words.length / 2;
}

/** @param {string} text */
const isLabel = (text) => /^[A-Z][a-z]{2,}[?!.:…]?$/.test(text);

/** @param {string} text */
const isRead = (text) =>
  /[A-Za-z]{2}/.test(text) &&
  !text.startsWith('<') &&
  !isStyle(text) &&
  !IS_QUERY.test(text) &&
  (text.includes(' ') || isLabel(text));

/** @param {string} text */
const tidy = (text) => text.replace(/\s+/g, ' ').trim();

/** @param {ts.TemplateExpression} template */
const withGaps = (template) =>
  template.head.text + template.templateSpans.map(({ literal }) => `…${literal.text}`).join('');

/**
 * What stands between the tags of a page part, inner parts in a row.
 * @param {ts.Node} node
 * @returns {string}
 */
function shownIn(node) {
  if (ts.isJsxText(node)) return node.text;
  if (ts.isJsxElement(node)) return node.children.map(shownIn).join('') || '…';
  if (!ts.isJsxExpression(node)) return '…';
  const inner = node.expression;
  if (!inner) return '';
  return ts.isStringLiteral(inner) || ts.isNoSubstitutionTemplateLiteral(inner) ? inner.text : '…';
}

/** @param {ts.Node} node */
const hasText = (node) =>
  (ts.isJsxElement(node) || ts.isJsxFragment(node)) &&
  node.children.some((child) => ts.isJsxText(child) && /[A-Za-z]{2}/.test(child.text));

/**
 * The sentences of one file, in the order of the file.
 * @param {string} path
 * @param {string} source
 */
export function sentencesIn(path, source) {
  /** @type {string[]} */
  const found = [];
  /** @param {string} text */
  const take = (text) => {
    const whole = tidy(text);
    if (isRead(whole)) found.push(whole);
  };
  /**
   * @param {ts.Node} node
   * @param {boolean} isPartOfText of a text that was taken as a whole
   */
  const visit = (node, isPartOfText) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isJsxAttribute(node) && UNREAD_ATTRIBUTES.test(node.name.getText())) return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) take(node.text);
    else if (ts.isTemplateExpression(node)) take(withGaps(node));
    const isText = hasText(node);
    if (isText && !isPartOfText)
      found.push(tidy(/** @type {ts.JsxElement} */ (node).children.map(shownIn).join('')));
    ts.forEachChild(node, (child) => visit(child, isPartOfText ? ts.isJsxElement(child) : isText));
  };
  visit(ts.createSourceFile(path, source, ts.ScriptTarget.Latest, true), false);
  return found;
}

/**
 * All sentences, each at the file in which it stands first.
 * @returns {Map<string, string>} sentence → file
 */
export function allSentences() {
  const files = ROOMS.flatMap((room) =>
    readdirSync(room, { recursive: true, encoding: 'utf8' }).map((file) => `${room}/${file}`),
  ).filter((file) => /\.(ts|tsx|mjs)$/.test(file) && !IS_TEST.test(file) && !NOT_OURS.test(file));
  /** @type {Map<string, string>} */
  const first = new Map();
  for (const file of files.toSorted())
    for (const sentence of sentencesIn(file, readFileSync(file, 'utf8')))
      if (!first.has(sentence)) first.set(sentence, file);
  return first;
}

export const REVIEWED = 'docs/sentences.txt';

/** The sentences that somebody has read aloud. */
export const reviewedSentences = () => readFileSync(REVIEWED, 'utf8').trim().split('\n');
