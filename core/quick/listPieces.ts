/** A list taken to pieces, a value each, and numbers that are said in words. */

const ONES = 'zero one two three four five six seven eight nine ten'.split(' ');
const TEENS = 'eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty'.split(' ');
const CARDINALS = [...ONES, ...TEENS];
const ORDINALS = [
  ...'zeroth first second third fourth fifth sixth seventh eighth ninth tenth eleventh'.split(' '),
  ...'twelfth thirteenth fourteenth fifteenth sixteenth seventeenth eighteenth nineteenth twentieth'.split(
    ' ',
  ),
];
const PAIR = /^(?:item\s*)?\d+\s*[=:]\s*[#\w.,%]+/i;

/** Separators that belong to a printed label, while the list is split; no keyboard types these. */
const KEPT: readonly (readonly [separator: string, kept: string])[] = [
  [',', '\uE000'],
  [';', '\uE001'],
  [' and ', '\uE002'],
];

/**
 * The pieces of a list: a line each, or between semicolons, commas and "and". A comma inside a number is none between pieces.
 * @param labels what is printed on the ESC: a label with a comma in it stays whole
 * @example piecesOf('first four, second one') // ['first four', 'second one']
 * @example piecesOf('1=4 2=1') // ['1=4', '2=1']
 */
export const piecesOf = (typed: string, labels: readonly string[] = []): string[] =>
  keeping(typed, labels)
    .split(/[\n;]|,(?!\d)|,(?=\s*\d+\s*[=:])/)
    .flatMap((piece) => piece.split(/\s+and\s+(?=\S+\s+\S)/i))
    .flatMap(pairsIn)
    .map((piece) =>
      freed(piece)
        .trim()
        .replace(/^and\s+/i, '')
        .replace(/[.!]+$/, ''),
    )
    .filter((piece) => piece !== '');

function keeping(typed: string, labels: readonly string[]): string {
  const longestFirst = labels
    .filter((label) => KEPT.some(([separator]) => label.includes(separator)))
    .toSorted((a, b) => b.length - a.length);
  return longestFirst.reduce((text, label) => {
    const printed = new RegExp(label.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`), 'gi');
    return text.replaceAll(printed, (found) =>
      KEPT.reduce((whole, [separator, kept]) => whole.replaceAll(separator, kept), found),
    );
  }, typed);
}

const freed = (piece: string): string =>
  KEPT.reduce((text, [separator, kept]) => text.replaceAll(kept, separator), piece);

/** Several pairs of numbers in a row, each on its own. */
function pairsIn(piece: string): string[] {
  const pairs = piece.trim().split(/\s+(?=(?:item\s*)?\d+\s*[=:])/i);
  return pairs.length > 1 && pairs.every((pair) => PAIR.test(pair)) ? pairs : [piece];
}

/**
 * Numbers in words as digits, "first" as an item's number.
 * @example numbersInWords('second one') // '2 1'
 */
export const numbersInWords = (text: string): string =>
  text
    .replaceAll(/\b(\d+)(?:st|nd|rd|th)\b/gi, '$1')
    .split(/(\s+)/)
    .map((word) => {
      const plain = word.toLowerCase();
      const place = Math.max(CARDINALS.indexOf(plain), ORDINALS.indexOf(plain));
      return place === -1 ? word : String(place);
    })
    .join('');
