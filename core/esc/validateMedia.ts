/** What is wrong with the ways in which an ESC is set. */
import type { Problem } from '../units/problem';
import {
  calibrationKey,
  MEDIA,
  mediumOf,
  type KeyPadMedium,
  type MediumFamily,
  type ProgramFormMedium,
  type StickToggleMedium,
  type StickTonesMedium,
} from './media';
import type { EscProfile, ProfileItem } from './profile';
import { exclude } from './presence';
import { repeats } from './repeats';

export function mediaProblems(profile: EscProfile): Problem[] {
  const { media, calibration } = profile;
  const problems = repeats(media, 'media', 'family', (medium) => `the medium '${medium.family}'`);
  if (calibration.family === 'stickAtPowerOn' && calibration.lowToMicros >= calibration.highFromMicros) {
    problems.push({
      path: 'calibration.highFromMicros',
      sentence: `Full up begins at ${calibration.highFromMicros} µs and right down ends at ${calibration.lowToMicros} µs: full up must lie above.`,
    });
  }
  const teaching = calibrationKey(calibration);
  const sameKey = media.find(
    (medium) => medium.family === 'oneKey' && teaching?.key === 'mode' && medium.keyName === teaching.name,
  );
  if (sameKey)
    problems.push({
      path: 'calibration.keyName',
      sentence: `Held on a running ESC, “${teaching!.name}” cannot both open the menu and begin the calibration. Give the calibration its own key.`,
    });
  for (const [one, other, why] of RIVALS) {
    const index = media.findIndex(({ family }) => family === other);
    if (index !== -1 && mediumOf(media, one)) problems.push({ path: `media.${index}`, sentence: why });
  }
  const locked = profile.items.findIndex(({ numberField }) => numberField?.unlockedByHold);
  if (locked !== -1 && !media.some(({ family }) => MEDIA[family].knowsNumbers))
    problems.push({
      path: `items.${locked}.stops`,
      sentence: `“${profile.items[locked]!.label}” has a number that a hold unlocks. That needs a box with text, a transmitter menu, a key pad or a computer. Choose one of these, or say it is not locked.`,
    });
  const shared = profile.items.findIndex(({ number, id }) =>
    profile.items.some((other) => other.number === number && other.id !== id),
  );
  const link = media.findIndex(({ family }) => family === 'link');
  if (shared !== -1 && link !== -1)
    problems.push({
      path: `media.${link}`,
      sentence: `The link knows items only by number, and “${profile.items[shared]!.label}” shares its number with another item. Set this ESC another way.`,
    });
  const drawn = profile.items.findIndex(({ freeCurve }) => freeCurve);
  if (drawn !== -1 && media.some(({ family }) => family !== 'programForm'))
    problems.push({
      path: `items.${drawn}.curvePoints`,
      sentence: `“${profile.items[drawn]!.label}” is a curve of points: only a form in another program can set it.`,
    });
  media.forEach((medium, index) => {
    const path = `media.${index}`;
    if (medium.family === 'programForm') problems.push(...formProblems(profile, medium, path));
    if (medium.family === 'keyPad') problems.push(...keyPadProblems(profile, medium, path));
    if (medium.family === 'transmitterMenu') {
      const strange = medium.confirmedItemIds.find((id) => !profile.items.some((item) => item.id === id));
      if (strange !== undefined)
        problems.push({
          path: `${path}.confirmedItemIds`,
          sentence: `There is no item '${strange}' to ask about again.`,
        });
    }
    if (medium.family !== 'stickTones' && medium.family !== 'stickToggle') return;
    problems.push(
      ...(medium.family === 'stickTones'
        ? toneProblems(profile, medium, path)
        : toggleProblems(profile, medium, path)),
    );
    if (calibration.family !== 'stickAtPowerOn') {
      problems.push({
        path,
        sentence:
          'A tone menu follows the stick-up calibration: choose “two points, stick up while switching on”.',
      });
    }
  });
  return problems;
}

/** Every item and stop needs a group of notes of its own, or the ear cannot tell them apart. A toggle's stops are beeped. */
function toneProblems({ items }: EscProfile, medium: StickTonesMedium, path: string): Problem[] {
  const opened = items.filter(({ id }) => !medium.toggledItemIds.includes(id));
  const longest = Math.max(0, ...opened.map((item) => item.stops.length));
  const strange = medium.toggledItemIds.find((id) => !items.some((item) => item.id === id));
  const wide = items.findIndex(({ id, stops }) => medium.toggledItemIds.includes(id) && stops.length !== 2);
  return [
    ...(strange === undefined
      ? []
      : [{ path: `${path}.toggledItemIds`, sentence: `There is no item '${strange}' that could toggle.` }]),
    ...(wide === -1 ? [] : [{ path: `items.${wide}.stops`, sentence: notTwo(items[wide]!) }]),
    ...enough(medium.itemNotes, lastNumber(items), `${path}.itemNotes`, 'items'),
    ...enough(medium.stopNotes, longest, `${path}.stopNotes`, 'stops'),
    ...sameNotes([...medium.itemNotes, medium.exitNotes], `${path}.itemNotes`),
    ...sameNotes(medium.stopNotes, `${path}.stopNotes`),
  ];
}

/** Toggling goes to the other stop: with more than two there is no other one. */
function toggleProblems({ items }: EscProfile, medium: StickToggleMedium, path: string): Problem[] {
  const many = items.findIndex((item) => item.stops.length > 2);
  return [
    ...enough(medium.itemNotes, lastNumber(items), `${path}.itemNotes`, 'items'),
    ...sameNotes([...medium.itemNotes, medium.exitNotes], `${path}.itemNotes`),
    ...(many === -1
      ? []
      : [
          {
            path: `items.${many}.stops`,
            sentence: notTwo(items[many]!),
          },
        ]),
  ];
}

const lastNumber = (items: readonly ProfileItem[]): number => Math.max(...items.map(({ number }) => number));

const notTwo = ({ number, label, stops }: ProfileItem): string =>
  `Item ${number} “${label}” has ${stops.length} stops, but a toggled item has two. Split it or choose another medium.`;

/** An item stands on one page of a form, once. */
function formProblems({ items }: EscProfile, { pages }: ProgramFormMedium, path: string): Problem[] {
  const named = pages.flatMap(({ itemIds }) => itemIds);
  const strange = named.find((id) => !items.some((item) => item.id === id));
  const twice = named.find((id, place) => named.indexOf(id) !== place);
  const label = items.find(({ id }) => id === twice)?.label ?? '';
  return [
    ...(strange === undefined
      ? []
      : [{ path: `${path}.pages`, sentence: `There is no item '${strange}' for a page of the form.` }]),
    ...(twice === undefined
      ? []
      : [{ path: `${path}.pages`, sentence: `“${label}” is on the form twice. Name each item once.` }]),
  ];
}

/** Every item and every stop needs digits, or a key, of its own. What is printed is typed as printed; numbers must fit the pad. */
function keyPadProblems({ items }: EscProfile, { digits, chosenBy }: KeyPadMedium, path: string): Problem[] {
  const most = 10 ** digits - 1;
  const beyond = items.find(
    (item) =>
      (item.typed === null && item.number > most) ||
      item.stops.some((stop) => stop.typed === null && stop.number > most),
  );
  const problems: Problem[] = beyond
    ? [
        {
          path: `${path}.digits`,
          sentence: `${digits} digits are too few for item ${beyond.number} “${beyond.label}”.`,
        },
      ]
    : [];
  const padded = (number: number): string => String(number).padStart(digits, '0');
  const chosen = items.map((item) => item.typed ?? padded(item.number));
  items.forEach((item, index) => {
    const twin = items.find(
      (other, place) => place < index && chosen[place] === chosen[index] && !exclude(item, other),
    );
    if (twin)
      problems.push({
        path: `items.${index}.typed`,
        sentence: `“${item.label}” and “${twin.label}” are both chosen by “${chosen[index]}”: each needs its own.`,
      });
    if (chosenBy === 'ownKey' ? !/[a-z]/i.test(item.typed ?? '') : !/^\d{1,6}$/.test(chosen[index]!))
      problems.push({
        path: `items.${index}.typed`,
        sentence:
          chosenBy === 'ownKey'
            ? `“${item.label}” has its own key. Type what is printed on that key.`
            : `“${item.label}” is chosen by “${item.typed}”. Use digits only, six at most.`,
      });
    const codes = item.stops.map((stop) => stop.typed ?? padded(stop.number));
    const twice = codes.findIndex((code, place) => codes.indexOf(code) !== place);
    if (twice !== -1) {
      problems.push({
        path: `items.${index}.stops.${twice}.typed`,
        sentence: `Two stops of “${item.label}” have the code ${codes[twice]}. Give each its own digits.`,
      });
    }
  });
  return problems;
}

/** Media that want the same key, socket or stick at the same moment. */
const RIVALS: readonly [MediumFamily, MediumFamily, string][] = [
  ['oneKey', 'twoKeys', 'One key and two keys would open two menus with the same press. Keep one of them.'],
  ['lampCard', 'textBox', 'A card and a box need the same socket. Keep the one you have.'],
  ['stickTones', 'stickToggle', 'The stick can work only one kind of tone menu. Keep one of them.'],
];

function enough(notes: string[], needed: number, path: string, what: string): Problem[] {
  if (notes.length >= needed) return [];
  return [
    { path, sentence: `There are ${notes.length} groups of notes for ${needed} ${what}: each needs one.` },
  ];
}

function sameNotes(notes: string[], path: string): Problem[] {
  const twice = notes.find((group, index) => notes.indexOf(group) !== index);
  if (twice === undefined) return [];
  return [
    { path, sentence: `The group of notes '${twice}' is there twice: the ear cannot tell the two apart.` },
  ];
}
