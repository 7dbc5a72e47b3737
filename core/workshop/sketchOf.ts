import { mediumOf, type EndPointFamily, type FormPage, type Medium } from '../esc/media';
import { withoutBanks } from './banks';
import { pagesText } from './formPages';
import type { EscProfile, ProfileItem, Stop } from '../esc/profile';
import { valueFault } from '../esc/validateProfile';
import type { SettingValue } from '../settings/setting';
import { VOCABULARY } from '../settings/vocabulary';
import { meaningOf } from './meaning';
import { ALL_PRESETS } from './presets';
import { CALIBRATION_FIELDS, MEDIUM_FIELDS, type PartField } from './partFields';
import type { LimitKey, Sketch, SketchItem, SketchPart, SketchStop } from './sketch';

/**
 * A profile as a sketch, to be edited or copied. `readSketch` gives the same profile back.
 * @param as whether the next revision of the same profile is meant, or a copy with a history of its own
 */
export function sketchOf(profile: EscProfile, as: 'revision' | 'copy'): Sketch {
  const { limits, calibration, media, factoryRange } = profile;
  const { items, ids } = withoutBanks(profile);
  const { becKind, ...numbers } = limits;
  const isCopy = as === 'copy';
  return {
    id: isCopy ? '' : profile.id,
    revision: isCopy ? 0 : profile.revision,
    name: isCopy ? '' : profile.name,
    madeFor: '',
    presets: isCopy ? ALL_PRESETS : [],
    limits: Object.fromEntries(
      Object.entries(numbers).map(([key, value]) => [key, value === null ? '' : shown(value, key)]),
    ) as Record<LimitKey, string>,
    becKind,
    bootMs: String(profile.bootMs),
    range: {
      brakeMicros: String(factoryRange.brakeMicros),
      neutralMicros: String(factoryRange.neutralMicros),
      forwardMicros: String(factoryRange.forwardMicros),
    },
    deadbandMicrosEachSide: String(profile.deadbandMicrosEachSide),
    launchLimitActs: profile.launchLimitActs ?? '',
    fullSignalShows: profile.fullSignalShows ?? '',
    calibration: partOf(calibration, CALIBRATION_FIELDS[calibration.family], profile.items),
    bankItemId: profile.banks?.itemId ?? '',
    fixedBankStopIds: profile.banks?.fixedStopIds ?? [],
    media: media.map((medium) => partOf(medium, MEDIUM_FIELDS[medium.family], profile.items)),
    items: items.map((item) => ({
      ...itemOf(item, mediumOf(media, 'keyPad') !== undefined),
      inBank: ids.has(item.id),
    })),
  };
}

/** The resistance of the bridge is asked in milliohm. */
const shown = (value: number, key: string): string =>
  String(key === 'bridgeOhm' ? Number((value * 1000).toPrecision(9)) : value);

function partOf<P extends Medium | EndPointFamily>(
  part: P,
  fields: readonly PartField[],
  items: ProfileItem[],
): SketchPart<P['family']> {
  const values = part as unknown as Record<string, unknown>;
  return {
    family: part.family,
    values: Object.fromEntries(fields.map((field) => [field.key, partText(field, values[field.key], items)])),
  };
}

function partText({ unit }: PartField, value: unknown, items: ProfileItem[]): string {
  if (unit === 'items')
    return [
      ...new Set((value as string[]).map((id) => items.find((item) => item.id === id)?.number ?? id)),
    ].join(' ');
  if (unit === 'pages') return pagesText(value as FormPage[], items);
  return Array.isArray(value) ? (value as string[]).join(' ') : String(value);
}

const itemOf = (item: ProfileItem, isTyped: boolean): Omit<SketchItem, 'inBank'> => ({
  id: item.id,
  label: item.label,
  setting: item.setting,
  suggestion: '',
  asked: [],
  scale: item.scale,
  sense: item.sense,
  stops: item.stops.map((stop) => stopOf(item, stop, isTyped)),
  number: numberOf(item),
  curvePoints: item.freeCurve ? String(item.freeCurve.points) : '',
  typed: isTyped ? (item.typed ?? '') : '',
  typedAs: isTyped ? 'stopNumber' : '',
  factory: [item.stops.findIndex(({ id }) => id === item.factoryStopId)],
  ties: {
    inactiveWhen: item.inactiveWhen,
    overwrites: item.overwrites,
    renumbersMenu: item.renumbersMenu,
    switchedOffBy: item.switchedOffBy,
    existsWhile: item.existsWhile,
    alsoSets: item.alsoSets,
    commandStopIds: item.commandStopIds,
  },
});

function numberOf({ numberField, stops }: ProfileItem): SketchItem['number'] {
  if (!numberField) return null;
  const place = (stopId: string): number => stops.findIndex(({ id }) => id === stopId);
  return {
    first: place(numberField.firstStopId),
    last: place(numberField.lastStopId),
    begins: place(numberField.beginsStopId),
    unlockedByHold: numberField.unlockedByHold,
  };
}

function stopOf(item: ProfileItem, { id, label, value, basis, typed }: Stop, isTyped: boolean): SketchStop {
  const setting = VOCABULARY[item.setting];
  const read = meaningOf(setting, item.scale, label);
  const says =
    read !== undefined && basis === 'stated' && sameValue(read, value) && !valueFault(setting, read);
  return {
    id,
    label,
    meaning: says ? '' : meaningText(value, setting.id !== 'other'),
    basis,
    typed: isTyped ? (typed ?? '') : '',
  };
}

const sameValue = (a: SettingValue, b: SettingValue): boolean => JSON.stringify(a) === JSON.stringify(b);

/** A value as it is typed in explanation; always in the vocabulary's unit, which `=` says. */
function meaningText(value: SettingValue, isSized: boolean): string {
  switch (value.kind) {
    case 'off':
      return 'off';
    case 'number':
      return `= ${value.value}`;
    case 'packVolts':
      return `${value.value} pack`;
    case 'choice':
      return value.choice;
    case 'curve':
      return value.points.map((point) => point.join(' ')).join(', ');
    case 'label':
      return isSized ? 'another item' : '';
  }
}
