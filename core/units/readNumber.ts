/**
 * A number as people type it: spaces, a decimal comma, a plus and a true minus sign are fine.
 * @returns undefined where it is none
 * @example readNumber('−1 250,5') // -1250.5
 */
export function readNumber(text: string): number | undefined {
  const plain = text
    .replaceAll(/[\s\u00a0\u202f]/g, '')
    .replace('\u2212', '-')
    .replace(',', '.');
  return /^[-+]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : undefined;
}
