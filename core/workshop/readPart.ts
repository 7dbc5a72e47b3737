/** The numbers and names of a medium or a calibration family, as typed. */
import { countedNotes } from '../esc/notes';
import type { ProfileItem } from '../esc/profile';
import { LONGEST_NAME, shortened } from '../units/text';
import { readPages } from './formPages';
import type { PartField } from './partFields';
import { wholeNumber } from './printedNumber';
import type { SketchPart } from './sketch';

type Refuse = (path: string, sentence: string) => void;

/** A part with every field read; what is wrong is refused at its path. */
export function readPart<F extends string>(
  { family, values }: SketchPart<F>,
  fields: readonly PartField[],
  path: string,
  items: ProfileItem[],
  refuse: Refuse,
): { family: F } & Record<string, unknown> {
  const read = (field: PartField): unknown => {
    const text = (values[field.key] ?? '').trim();
    const at = `${path}.values.${field.key}`;
    switch (field.unit) {
      case 'text':
        if (text === '') refuse(at, `${field.label}: type what is printed.`);
        if (text.length > LONGEST_NAME * 3) refuse(at, `${field.label} is too long.`);
        return text;
      case 'choice':
        return Object.hasOwn(field.choices ?? {}, text) ? text : field.usual;
      case 'notes':
        return readNotes(field, text, at, items, refuse);
      case 'items':
        return text
          .split(/[\s,;]+/)
          .filter(Boolean)
          .flatMap((word) => {
            const named = items.filter(({ number }) => String(number) === word);
            return named.length > 0 ? named.map(({ id }) => id) : [word];
          });
      case 'pages':
        return readPages(text, items, (sentence) => refuse(at, sentence));
      default: {
        const number = wholeNumber(text);
        const [least, most] = field.bounds ?? [-Infinity, Infinity];
        if (number === undefined || number < least || number > most)
          refuse(
            at,
            `${field.label} is “${shortened(text)}”; it must be a number between ${least} and ${most} ${field.unit}.`,
          );
        else if (field.whole && !Number.isInteger(number))
          refuse(at, `${field.label} is ${number}: a whole number is needed.`);
        return number ?? NaN;
      }
    }
  };
  return { family, ...Object.fromEntries(fields.map((field) => [field.key, read(field)])) };
}

/** Groups of notes; left empty, the ones that count low and high. */
function readNotes(
  { key, label }: PartField,
  text: string,
  at: string,
  items: ProfileItem[],
  refuse: Refuse,
) {
  const groups = text.split(/[\s,;]+/).filter(Boolean);
  const wrong = groups.find((group) => !/^[lhLH]{1,16}$/.test(group));
  if (wrong !== undefined)
    refuse(
      at,
      `${label}: “${shortened(wrong)}” is not a group of notes. Write l, h, L, H: short and long, low and high.`,
    );
  if (key === 'exitNotes') return groups[0] ?? 'LL';
  if (groups.length > 0) return groups;
  const needed =
    key === 'itemNotes'
      ? Math.max(1, ...items.map(({ number }) => number))
      : Math.max(1, ...items.map(({ stops }) => stops.length));
  return countedNotes(needed, key === 'itemNotes' ? 'l' : 'h');
}
