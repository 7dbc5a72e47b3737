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
  if (MARKUP.test(name)) return 'holds markup (< and a letter): type the words alone.';
  return UNSEEN.test(name) ? 'holds characters that cannot be seen: type it anew.' : undefined;
}

/** Enough of a text to be recognised. */
export const shortened = (text: string): string => (text.length > 40 ? `${text.slice(0, 40)}…` : text);

/** A name as it is compared: small letters and digits, the rest a space. */
export const plainWords = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, ' ')
    .trim();
