/**
 * The ESCs of a model that has several: each holds its own values, and all of them should hold the same. The first is the
 * one that is tuned; the others follow it.
 */
import { MEDIA, type MediumFamily } from '../esc/media';
import type { EscProfile, WantedStops } from '../esc/profile';
import type { SettingId } from '../settings/vocabulary';
import { canBeSet, sureStops, type Draft } from './draft';
import type { Holdings } from './evidence';

/** One more ESC of the model, and what it holds. */
export interface OtherEsc {
  /** 2 upward. */
  escNumber: number;
  holdings: Holdings;
}

/** What may well differ between two ESCs of a model: propellers that turn against each other. */
const EACH_ITS_OWN: readonly SettingId[] = ['rotation'];

const followers = ({ items }: EscProfile) => items.filter(({ setting }) => !EACH_ITS_OWN.includes(setting));

/**
 * What another ESC of the model still has to be given, so that it holds what the first one will: what is drafted, else what
 * the first one is known to hold. What will not be in the menu then cannot be given.
 */
export function intentsForOther(
  profile: EscProfile,
  first: Holdings,
  draft: Pick<Draft, 'stops'>,
  other: Holdings,
): WantedStops {
  const then = sureStops(profile, first, draft);
  return Object.fromEntries(
    followers(profile).flatMap((item) => {
      const wanted = then[item.id];
      const isLeft = wanted && wanted !== other[item.id]?.stopId && canBeSet(profile, then, item);
      return isLeft ? [[item.id, wanted]] : [];
    }),
  );
}

/**
 * Whether all ESCs can be loaded at once by this medium: they hear the same stick, hold the same in what is changed, and
 * are to be given the same.
 * @param escs the first first: what each holds, and still has to be given
 */
export function canLoadTogether(
  medium: MediumFamily,
  escs: readonly { holdings: Holdings; intents: WantedStops }[],
): boolean {
  const [first, ...others] = escs;
  if (!first || others.length === 0 || !MEDIA[medium].hearsStick) return false;
  const itemIds = Object.keys(first.intents);
  return others.every(
    ({ holdings, intents }) =>
      Object.keys(intents).length === itemIds.length &&
      itemIds.every(
        (id) => intents[id] === first.intents[id] && holdings[id]?.stopId === first.holdings[id]?.stopId,
      ),
  );
}

/** The items of which two ESCs are known to hold something else, in menu order. */
export const unlikeItems = (profile: EscProfile, first: Holdings, other: Holdings): string[] =>
  followers(profile)
    .map(({ id }) => id)
    .filter((id) => first[id]?.stopId && other[id]?.stopId && first[id].stopId !== other[id].stopId);
