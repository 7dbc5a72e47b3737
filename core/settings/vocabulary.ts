/**
 * The settings vocabulary: what speed controllers can be told, in one language.
 * ESC profiles map their own items onto it; advice, verdicts and physics speak only this.
 * Meanings and ranges: common practice.
 */
import { BACK_UP } from './catalog/backUp';
import { BRAKE } from './catalog/brake';
import { FLAT_OUT } from './catalog/flatOut';
import { GUARD } from './catalog/guard';
import { LET_GO } from './catalog/letGo';
import { MID_PULL } from './catalog/midPull';
import { PULL_AWAY } from './catalog/pullAway';
import { SOUNDS } from './catalog/sounds';
import { SUPPLY } from './catalog/supply';
import type { MomentId } from './moments';
import { named, type SettingFacts } from './setting';

const REST = {
  other: named(
    'Something else',
    {},
    'An item that Live Tune does not know. It is loaded, recorded and compared, without advice.',
  ),
} as const;

const CATALOG = {
  pullAway: PULL_AWAY,
  midPull: MID_PULL,
  flatOut: FLAT_OUT,
  letGo: LET_GO,
  brake: BRAKE,
  backUp: BACK_UP,
  supply: SUPPLY,
  guard: GUARD,
  sounds: SOUNDS,
  rest: REST,
} as const satisfies Record<MomentId, Record<string, SettingFacts>>;

type Catalog = typeof CATALOG;
export type SettingId = { [M in keyof Catalog]: keyof Catalog[M] & string }[keyof Catalog];

export interface Setting extends SettingFacts {
  id: SettingId;
  moment: MomentId;
}

/** Every setting of the vocabulary, by id, in the order of the moments. */
export const VOCABULARY: Readonly<Record<SettingId, Setting>> = Object.freeze(
  Object.fromEntries(
    Object.entries(CATALOG).flatMap(([moment, settings]) =>
      Object.entries(settings).map(([id, facts]) => [id, { ...facts, id, moment }]),
    ),
  ) as Record<SettingId, Setting>,
);

/** Whether a setting is chosen from names, not set to a number. */
export const isNamed = (setting: Setting): boolean => setting.choices !== undefined && setting.id !== 'other';
