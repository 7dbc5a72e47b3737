import type { EscProfile } from '../esc/profile';
import { ARCHETYPES } from './archetypes';
import { linkPattern } from './cars';

const ITEMS = 40;

/** The longest list that an ESC may have: the link archetype's items, and what else the other archetypes know. */
export function fortyItems(): EscProfile {
  const known = new Set(linkPattern.items.map(({ setting }) => setting));
  const more = ARCHETYPES.flatMap(({ profile }) => profile.items).filter(({ setting }) => {
    const isNew = !known.has(setting);
    known.add(setting);
    return isNew;
  });
  const items = [...linkPattern.items, ...more].slice(0, ITEMS).map((item, place) => ({
    ...item,
    id: `item-${place + 1}`,
    number: place + 1,
    // What overwrites what speaks of items of other ESCs.
    overwrites: [],
    inactiveWhen: [],
    switchedOffBy: null,
  }));
  return { ...linkPattern, id: 'forty-items', name: 'Forty items', items };
}
