import { asksForThree, mediumOf, type EndPointFamily, type Medium } from '../esc/media';
import { factoryStops, type EscProfile, type ProfileItem } from '../esc/profile';
import { keyConfirmedPart } from './families/keyConfirmed';
import { stickAtPowerOnPart } from './families/stickAtPowerOn';
import { takenAtRestPart } from './families/takenAtRest';
import type { Cue, Machine, MenuItem, ToneTable } from './language';
import { keyPadPart } from './media/keyPad';
import { stickTogglePart, toggleTable } from './media/stickToggle';
import { textBoxPart } from './media/textBox';
import { transmitterMenuPart } from './media/transmitterMenu';
import { twoKeysPart } from './media/twoKeys';
import { lampCardPart } from './media/lampCard';
import { oneKeyPart } from './media/oneKey';
import { stickTonesPart, toneTable } from './media/stickTones';
import { joinParts, type MachinePart } from './part';
import { powerStates } from './power';

/** The whole machine of an ESC: power, its calibration family and its media, from its profile. */
export function escMachine(profile: EscProfile): Machine {
  const { calibration, media, items } = profile;
  const part = joinParts([familyPart(profile), ...media.flatMap(statesOfMedium)]);
  return {
    initial: 'off',
    states: { ...powerStates(profile.bootMs, restingLamp(profile), part), ...part.states },
    menu: items.map((item) => menuItem(item, media)),
    factoryStops: factoryStops(profile),
    tones: tonesOf(media),
    leastSpanMicros: asksForThree(calibration) ? calibration.leastSpanMicros : 0,
    refusesReversed: asksForThree(calibration) && calibration.wrongOrder === 'refused',
    steadyToleranceMicros: 'steadyToleranceMicros' in calibration ? calibration.steadyToleranceMicros : 0,
    lock: lockOf(items),
    highFromMicros: calibration.family === 'stickAtPowerOn' ? calibration.highFromMicros : Infinity,
    lowToMicros: calibration.family === 'stickAtPowerOn' ? calibration.lowToMicros : -Infinity,
    armingToleranceMicros: profile.deadbandMicrosEachSide,
  };
}

/** The item with which the ESC can be kept from learning another range. */
function lockOf(items: readonly ProfileItem[]): Machine['lock'] {
  const item = items.find(({ setting }) => setting === 'calibrationLock');
  if (!item) return undefined;
  const locks = item.stops.filter(({ value }) => value.kind === 'choice' && value.choice === 'off');
  return { itemId: item.id, stopIds: locks.map(({ id }) => id) };
}

function menuItem(item: ProfileItem, media: Medium[]): MenuItem {
  const digits = mediumOf(media, 'keyPad')?.digits ?? 0;
  return {
    itemId: item.id,
    number: item.number,
    existsWhile: item.existsWhile,
    commandStopIds: item.commandStopIds,
    stopIds: item.stops.map((stop) => stop.id),
    // What is printed is typed as it is printed.
    code: item.typed ?? padded(String(item.number), digits),
    stopCodes: item.stops.map((stop) => stop.typed ?? padded(String(stop.number), digits)),
    field: fieldPlaces(item),
    toggles: mediumOf(media, 'stickTones')?.toggledItemIds.includes(item.id) ?? false,
    confirmed: mediumOf(media, 'transmitterMenu')?.confirmedItemIds.includes(item.id) ?? false,
    overwrites: Object.fromEntries(
      item.overwrites.map(({ stopId, sets }) => [
        stopId,
        Object.entries(sets).map(([itemId, set]) => ({ itemId, stopId: set })),
      ]),
    ),
  };
}

function fieldPlaces({ numberField, stops }: ProfileItem): MenuItem['field'] {
  if (!numberField) return undefined;
  const place = (stopId: string): number => stops.findIndex(({ id }) => id === stopId);
  return {
    first: place(numberField.firstStopId),
    last: place(numberField.lastStopId),
    begins: place(numberField.beginsStopId),
    isLocked: numberField.unlockedByHold,
  };
}

const padded = (code: string, digits: number): string => code.padStart(digits, '0');

function familyPart({ calibration, media }: EscProfile): MachinePart {
  switch (calibration.family) {
    case 'keyConfirmed':
      return keyConfirmedPart(calibration);
    case 'heldStill':
    case 'countedPoints':
      return takenAtRestPart(calibration);
    case 'stickAtPowerOn':
      return stickAtPowerOnPart(calibration, toneMenuState(media));
    case 'none':
      return { states: {} };
  }
}

/** The part of a medium, each of its states marked as its own. */
const statesOfMedium = (medium: Medium): MachinePart[] =>
  mediumPart(medium).map((part) => ({
    ...part,
    states: Object.fromEntries(
      Object.entries(part.states).map(([name, state]) => [name, { ...state, medium: medium.family }]),
    ),
  }));

function mediumPart(medium: Medium): MachinePart[] {
  switch (medium.family) {
    case 'oneKey':
      return [oneKeyPart(medium)];
    case 'lampCard':
      return [lampCardPart(medium)];
    case 'stickTones':
      return [stickTonesPart(medium)];
    case 'twoKeys':
      return [twoKeysPart(medium)];
    case 'stickToggle':
      return [stickTogglePart(medium)];
    case 'textBox':
      return [textBoxPart(medium)];
    case 'keyPad':
      return [keyPadPart(medium)];
    case 'transmitterMenu':
      return [transmitterMenuPart(medium)];
    // No hand works it, so the machine knows nothing of it.
    case 'link':
    case 'programForm':
      return [];
  }
}

function tonesOf(media: Medium[]): ToneTable | undefined {
  const tones = mediumOf(media, 'stickTones');
  const toggle = mediumOf(media, 'stickToggle');
  return tones ? toneTable(tones) : toggle && toggleTable(toggle);
}

/** Where a stick that stays up past the calibration window leads. */
function toneMenuState(media: Medium[]): string | undefined {
  if (mediumOf(media, 'stickTones')) return 'toneItem';
  return mediumOf(media, 'stickToggle') ? 'toggleItem' : undefined;
}

/** The lamp on the ESC itself is dark while it drives. */
function restingLamp({ calibration, media }: EscProfile): Cue[] {
  const lamp = lampOf(calibration) ?? mediumOf(media, 'oneKey')?.menuLamp;
  return lamp === undefined ? [] : [{ type: 'lamp', lamp, pattern: 'off' }];
}

const lampOf = (calibration: EndPointFamily): string | undefined =>
  asksForThree(calibration) ? calibration.lamp : undefined;
