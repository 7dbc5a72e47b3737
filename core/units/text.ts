/** What may stand in a name: text that is shown on one line, as it is. */

/** Names are shown on a phone in the sun: long ones are refused, not cut. */
export const LONGEST_NAME = 80;

/** Characters that are not seen but change what is: control characters, and those that turn the line round. */
const UNSEEN = /[\p{Cc}\u202a-\u202e\u2066-\u2069]/u;
const MARKUP = /<[a-z!/]/i;

/**
 * What is wrong with a name, as the rest of a sentence that begins with what it names; undefined where nothing is.
 * @param name trimmed
 */
export function nameFault(name: string): string | undefined {
  if (name === '') return 'has no name: type one.';
  if (name.length > LONGEST_NAME) return `has ${name.length} letters; ${LONGEST_NAME} fit.`;
  if (MARKUP.test(name)) return 'has markup (< and a letter): type only words.';
  return UNSEEN.test(name) ? 'has invisible characters: type it again.' : undefined;
}

/** Enough of a text to be recognised. */
export const shortened = (text: string): string => (text.length > 40 ? `${text.slice(0, 40)}…` : text);

/** A name as it is compared: small letters and digits, the rest a space. */
export const plainWords = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, ' ')
    .trim();

/** Half of a pair without its other half: no text, and no database keeps it. */
const LONE_SURROGATE = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** What is wrong with any text at all, in a sentence; undefined where it can be kept. */
export const badText = (text: string): string | undefined =>
  text.includes('\0') || LONE_SURROGATE.test(text)
    ? `“${shortened(text.replaceAll('\0', '·'))}” has characters that are not text. Type it again.`
    : undefined;

/** Names that mean something to the language itself: as an id they would be taken for what every object has. */
const RESERVED = new Set(['__proto__', 'constructor', 'prototype']);

/** What is wrong with the name of a field or an id, in a sentence; undefined where nothing is. */
export const badKey = (key: string): string | undefined =>
  RESERVED.has(key) ? `“${key}” cannot be a name here.` : undefined;
