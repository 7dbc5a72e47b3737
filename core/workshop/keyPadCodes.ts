/** What is typed on a key pad: as it is printed, and asked where the manual can be read in two ways. */
import { leadingNumber, saysOff } from './printedNumber';
import type { Sketch, SketchItem } from './sketch';

/** How many digits its pad wants for a number; undefined where the ESC has no pad. */
export function padDigits({ media }: Pick<Sketch, 'media'>): number | undefined {
  const pad = media.find(({ family }) => family === 'keyPad');
  return pad && (Number(pad.values.digits) || 0);
}

/** Whether it has to be said what is typed for the stops of an item: their numbers, or what is printed. */
export const isTypingOpen = ({ stops, typedAs }: SketchItem): boolean =>
  typedAs === '' && stops.some(({ label, typed }) => typed === '' && digitsOf(label) !== '');

/** What is typed for each stop, '' for its number. @param digits zeros are put in front up to so many */
export const typedStops = ({ stops, typedAs }: SketchItem, digits: number): string[] =>
  stops.map(({ label, typed }) =>
    typed.trim() !== '' || typedAs !== 'printedNumber' ? typed.trim() : digitsOf(label).padStart(digits, '0'),
  );

/** The digits of a printed number without its point; zero for off; none for a word. */
function digitsOf(label: string): string {
  if (saysOff(label)) return '0';
  return leadingNumber(label) ? (/\d[\d.,]*/.exec(label)?.[0] ?? '').replaceAll(/\D/g, '') : '';
}
