import type { EscProfile, ProfileItem, StopByItem } from '../esc/profile';
import { ARCHETYPES } from './archetypes';
import { linkPattern } from './cars';

/** An ESC with every setting that any archetype has, each on the longest scale among those that serve a class; worked by link. */
export function everyItem(): EscProfile {
  const longest = new Map<string, ProfileItem>();
  for (const item of ARCHETYPES.flatMap(({ profile, serves }) => (serves.length > 0 ? profile.items : []))) {
    const known = longest.get(item.setting);
    if (!known || known.stops.length < item.stops.length) longest.set(item.setting, item);
  }
  const items = [...longest.values()].map((item, place) => ({
    ...item,
    id: `item-${place + 1}`,
    number: place + 1,
    // What overwrites what speaks of items of other ESCs.
    overwrites: [],
    inactiveWhen: [],
    switchedOffBy: null,
  }));
  // Its form names items of its own.
  const media = linkPattern.media.filter(({ family }) => family === 'link');
  return { ...linkPattern, id: 'every-item', name: 'Every item', media, items };
}

/** The longest list that an ESC is likely to have. */
export function fortyItems(): EscProfile {
  const all = everyItem();
  return { ...all, id: 'forty-items', name: 'Forty items', items: all.items.slice(0, 40) };
}

/** Each item so far up its list of stops, 0 to 1: settings away from where they do nothing. */
export const stirred = ({ items }: EscProfile, share: number): StopByItem =>
  Object.fromEntries(items.map(({ id, stops }) => [id, stops[Math.round(share * (stops.length - 1))]!.id]));
