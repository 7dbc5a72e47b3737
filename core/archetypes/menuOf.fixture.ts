import { countedNotes } from '../esc/notes';
import { MEDIA, type Medium } from '../esc/media';
import { UNTIED, type EscProfile, type ProfileItem } from '../esc/profile';

export type Kinds = 'plain' | 'mixed';

/**
 * An ESC that is worked like another one, with a menu made up to order.
 * @param stopCounts how many stops each item has; a menu that toggles takes two for all of them
 * @param factoryPlaces which stop of each is the factory's, 0 upward; the first where it is not said
 * @param kinds whether some items are numbers, or toggle beside others that open, or have a key of their own
 */
export function menuOf(
  pattern: EscProfile,
  stopCounts: readonly number[],
  factoryPlaces: readonly number[] = [],
  kinds: Kinds = 'plain',
): EscProfile {
  const toggles = pattern.media.some(({ family }) => family === 'stickToggle');
  const counts = toggles ? stopCounts.map(() => 2) : stopCounts;
  const items = counts.map((count, at): ProfileItem => {
    const stops = Array.from({ length: count }, (_, stop): ProfileItem['stops'][number] => ({
      id: `item-${at + 1}-stop-${stop + 1}`,
      number: stop + 1,
      label: `stop ${stop + 1}`,
      value: { kind: 'label' },
      basis: 'stated',
      typed: null,
    }));
    return {
      id: `item-${at + 1}`,
      number: at + 1,
      label: `Item ${at + 1}`,
      setting: 'other',
      scale: 'named',
      sense: 'direct',
      factoryStopId: stops[(factoryPlaces[at] ?? 0) % count]!.id,
      stops,
      ...UNTIED,
    };
  });
  const plain = { ...pattern, items, media: pattern.media.map((medium) => fitted(medium, counts)) };
  return kinds === 'plain' ? plain : mixed(plain);
}

/** The same menu with all kinds of items that its media know. */
const mixed = ({ items, media, ...rest }: EscProfile): EscProfile => ({
  ...rest,
  items: items.map((item, at) => ({
    ...item,
    typed: media.some(({ family }) => family === 'keyPad') ? `KEY ${at + 1}` : null,
    numberField:
      item.stops.length < 4 || !media.some(({ family }) => MEDIA[family].knowsNumbers)
        ? null
        : numberBehindTheFirst(item, at % 2 === 0),
  })),
  media: media.map((medium): Medium => {
    if (medium.family === 'keyPad') return { ...medium, chosenBy: 'ownKey' };
    if (medium.family !== 'stickTones') return medium;
    return { ...medium, toggledItemIds: items.filter(({ stops }) => stops.length === 2).map(({ id }) => id) };
  }),
});

/** All stops but the first are one number, which opens at the one before its last. */
const numberBehindTheFirst = (
  { stops }: ProfileItem,
  unlockedByHold: boolean,
): ProfileItem['numberField'] => ({
  firstStopId: stops[1]!.id,
  lastStopId: stops.at(-1)!.id,
  beginsStopId: stops.at(-2)!.id,
  unlockedByHold,
});

/** The medium with notes and digits enough for such a menu. */
function fitted(medium: Medium, stopCounts: readonly number[]): Medium {
  switch (medium.family) {
    case 'stickTones':
      return {
        ...medium,
        itemNotes: countedNotes(stopCounts.length),
        stopNotes: countedNotes(Math.max(...stopCounts), 'h'),
      };
    case 'stickToggle':
      return { ...medium, itemNotes: countedNotes(stopCounts.length) };
    case 'keyPad':
      return { ...medium, digits: 3 };
    case 'transmitterMenu':
      return { ...medium, confirmedItemIds: ['item-2'] };
    default:
      return medium;
  }
}
