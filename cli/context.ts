/** What a command has to work with: the documents it was given, and what they leave open. */
import { advisedStops as advised } from '#core/advice/advise';
import { usualGoals } from '#core/advice/goals';
import {
  factoryStops,
  itemById,
  stopById,
  type EscProfile,
  type ProfileItem,
  type Stop,
  type StopByItem,
} from '#core/esc/profile';
import { defaultRig } from '#core/rig/defaults';
import type { Rig } from '#core/rig/rig';
import type { VehicleClass } from '#core/rig/vehicleClass';
import { withHandValues } from '#core/rig/handValues';
import type { Conditions } from '#core/setUps/conditions';
import { fittingSetUp } from '#core/setUps/setUp';
import type { Sheet } from '#core/sheet/sheet';
import { VOCABULARY } from '#core/settings/vocabulary';
import type { LiveTuneDocument } from '#formats/document';
import { Refused } from './refused';

export interface Context {
  /** The document that the command was called on. */
  main: LiveTuneDocument;
  profile: EscProfile;
  rig: Rig;
  /** Whether the rig is made up of defaults, since none was given. */
  rigAssumed: boolean;
  /** What the ESC holds: from a set-up, from a sheet, or as from the factory. */
  stops: StopByItem;
  stopsFrom: 'set-up' | 'sheet' | 'factory';
  /** The items that a set-up or sheet says something of; all where there is none. */
  said: string[];
}

/**
 * Puts the given documents together.
 * @throws {Refused} where one that is needed is missing, or two do not fit
 */
export function contextOf(main: LiveTuneDocument, others: LiveTuneDocument[]): Context {
  const all = [main, ...others];
  const rigFile = all.find((d) => d.format === 'live-tune/rig');
  const sheet = all.find((d) => d.format === 'live-tune/sheet');
  const setUpFile = all.find((d) => d.format === 'live-tune/set-up');
  const setUp = setUpFile?.setUp;
  const profile =
    all.find((d) => d.format === 'live-tune/esc-profile') ?? rigFile?.escProfile ?? setUpFile?.escProfile;
  if (!profile) {
    throw new Refused(
      `The ESC profile '${rigFile?.escProfileId ?? sheet?.profileId ?? setUp?.profileId ?? ''}' is needed too: add --with and its file.`,
    );
  }
  for (const wanted of [rigFile?.escProfileId, sheet?.profileId, setUp?.profileId]) {
    if (wanted !== undefined && wanted !== profile.id) {
      throw new Refused(`One document is for the ESC profile '${wanted}', another is '${profile.id}'.`);
    }
  }
  const rig = rigFile?.rig ?? assumedRig(profile, setUp?.conditions);
  const factory = factoryStops(profile);
  const said = setUp ? fittingSetUp(profile, setUp).stops : sheet ? stopsOn(sheet, profile) : factory;
  return {
    main,
    profile,
    rig: setUp ? withHandValues(rig, setUp.byHand) : rig,
    rigAssumed: rigFile === undefined,
    stops: { ...factory, ...said },
    stopsFrom: setUp ? 'set-up' : sheet ? 'sheet' : 'factory',
    said: Object.keys(said),
  };
}

/** A rig of defaults that this ESC could be in. */
function assumedRig(profile: EscProfile, driven: Conditions | undefined): Rig {
  const usual: VehicleClass = profile.calibration.family === 'stickAtPowerOn' ? 'sportPlane' : 'tenthBuggy';
  const rig = defaultRig(driven?.vehicleClass ?? usual);
  const { minCells, maxCells } = profile.limits;
  const cells = Math.min(maxCells, Math.max(minCells, driven?.packCells ?? rig.pack.cells));
  return { ...rig, name: 'assumed', pack: { ...rig.pack, cells } };
}

function stopsOn(sheet: Sheet, profile: EscProfile): StopByItem {
  const known = sheet.values.filter(({ itemId, stopId }) =>
    profile.items.some((item) => item.id === itemId && item.stops.some((stop) => stop.id === stopId)),
  );
  return Object.fromEntries(known.map(({ itemId, stopId }) => [itemId, stopId!]));
}

/**
 * The stops that `--set item=stop` ask for. An item is named by its number, label, id or setting; a stop by its
 * label, id or `#` and its number.
 */
export function wantedStops(profile: EscProfile, sets: readonly string[]): StopByItem {
  return Object.fromEntries(
    sets.map((set) => {
      const at = set.indexOf('=');
      if (at < 1) throw new Refused(`--set takes item=stop, as in --set 6=65 %; got '${set}'.`);
      const item = itemNamed(profile, set.slice(0, at));
      return [item.id, stopNamed(item, set.slice(at + 1)).id];
    }),
  );
}

function itemNamed(profile: EscProfile, name: string): ProfileItem {
  const same = alike(name);
  const item = profile.items.find(({ id, number, label, setting }) =>
    [id, String(number), label, setting, VOCABULARY[setting].name].some(same),
  );
  if (item) return item;
  const known = profile.items.map(({ number, label }) => `${number} ${label}`).join(', ');
  throw new Refused(`${profile.name} has no item '${name}'; it has ${known}.`);
}

function stopNamed(item: ProfileItem, name: string): Stop {
  const same = alike(name);
  const stop = item.stops.find(({ id, number, label }) => [id, `#${number}`, label].some(same));
  if (stop) return stop;
  const known = item.stops.map(({ number, label }) => `#${number} ${label}`).join(', ');
  throw new Refused(`“${item.label}” has no stop '${name}'; it has ${known}.`);
}

/** Names are compared without spaces and capitals: "65%" is "65 %". */
function alike(name: string): (other: string) => boolean {
  const plain = (text: string): string => text.replaceAll(/[\s\u00a0]/g, '').toLowerCase();
  return (other) => plain(other) === plain(name);
}

/** The advised stop of every item that a rule speaks about, with what drivers of this class usually want. */
export const advisedStops = ({ rig, profile }: Context): StopByItem =>
  advised({ rig, goals: usualGoals(rig.vehicleClass), rules: undefined }, profile);

/** Stops as a person reads them, in menu order. */
export const inWords = (profile: EscProfile, stops: StopByItem) =>
  profile.items.flatMap(({ id }) => {
    const stopId = stops[id];
    if (stopId === undefined) return [];
    const item = itemById(profile, id);
    const stop = stopById(item, stopId);
    return [
      {
        item: item.number,
        label: item.label,
        setting: VOCABULARY[item.setting].name,
        stop: stop.number,
        value: stop.label,
      },
    ];
  });
