/**
 * A set-up as one line of text, short enough for a QR code: docs/set-up-code.md. It carries what is to be set and where it came
 * from, not the reasons. A check sum finds what was typed or read wrong.
 */
import type { Surface } from '../advice/goals';
import { SURFACES } from '../advice/goals';
import { hasStop, type EscProfile } from '../esc/profile';
import { readHandValues, type HandValues } from '../rig/handValues';
import { VEHICLE_CLASSES, type VehicleClass } from '../rig/vehicleClass';
import type { Result } from '../units/problem';
import { badKey, badText, nameFault } from '../units/text';
import type { Conditions } from './conditions';
import { setUpValues, type SetUp } from './setUp';

/** What every code begins with. */
const BEGINS = 'live-tune-set-up';
const VERSION = 1;
/** More than a QR code holds; longer text is another text. */
const LONGEST = 4000;

/** A set-up as a line of text. */
export function writeCode(setUp: SetUp): string {
  const { id, madeAt, profileId, profileRevision, name, isFor, by, conditions } = setUp;
  const stops = setUp.values.map(({ itemId, stopId }) => [itemId, shortStop(itemId, stopId)] as const);
  const { rigName, vehicleClass, surface, kvRpmPerVolt, packCells, massKg, finalDrive } = conditions;
  const driven = [
    vehicleClass,
    surface,
    rounded(kvRpmPerVolt),
    packCells,
    rounded(massKg),
    rounded(finalDrive),
  ];
  const parts = [
    [id, madeAt.slice(0, 10)],
    [profileId, profileRevision],
    [name, isFor, by],
    [rigName, ...driven],
    stops.map(([itemId, stop]) => `${itemId}=${stop}`),
    Object.entries(setUp.byHand).map(([key, value]) => `${key}=${value}`),
  ];
  const body = [BEGINS, VERSION, ...parts.map((part) => part.map(escaped).join(','))].join(':');
  return `${body}:${checkSum(body)}`;
}

/** Of a stop that is named after its item only what follows. */
const shortStop = (itemId: string, stopId: string): string =>
  stopId.startsWith(`${itemId}-`) ? stopId.slice(itemId.length) : stopId;

const rounded = (value: number): number => Number(value.toPrecision(5));

/** As in an address; the equals sign may stand. */
const escaped = (text: string | number): string => encodeURIComponent(text).replaceAll('%3D', '=');

/** What a code says, before its ESC is known here. */
export interface ReadCode {
  id: string;
  madeAt: string;
  profileId: string;
  profileRevision: number;
  name: string;
  isFor: string;
  by: string;
  conditions: Conditions;
  stops: Readonly<Record<string, string>>;
  byHand: HandValues;
}

/** Reads a code from typed text or a picture. Never throws, and never invents: anything wrong is refused with a sentence. */
export function readCode(typed: string): Result<ReadCode> {
  const text = typed.trim();
  const [begins, version, ...rest] = text.split(':');
  if (begins !== BEGINS || text.length > LONGEST || badText(text) !== undefined)
    return refused('This is not the code of a set-up. One begins with “live-tune-set-up:”.');
  if (version !== String(VERSION))
    return refused(`This code is of version ${version ?? ''}; this Live Tune reads version ${VERSION}.`);
  const at = text.lastIndexOf(':');
  if (rest.length !== 7 || checkSum(text.slice(0, at)) !== text.slice(at + 1))
    return refused('The check sum is wrong: a part is missing or was read wrong. Read it again.');
  const parts = rest.slice(0, 6).map(unescaped);
  if (parts.some((part) => part === undefined)) return unsound;
  const [made, esc, words, driven, stops, byHand] = parts as string[][];
  const read = conditionsIn(driven!);
  const [wanted, hands] = [pairsIn(stops!), pairsIn(byHand!)];
  const [id, day] = made!;
  const [profileId, revision] = esc!;
  const [name, isFor = '', by = ''] = words!;
  const numbers = hands && readHandValues(mapped(hands, Number));
  const isSound =
    [id, profileId].every(isId) &&
    /^\d{4}-\d{2}-\d{2}$/.test(day ?? '') &&
    !Number.isNaN(Date.parse(day!)) &&
    /^\d{1,6}$/.test(revision ?? '') &&
    nameFault(name ?? '') === undefined &&
    [isFor, by].every((one) => one.length <= 2000 && badText(one) === undefined);
  if (!isSound || !read || !wanted || !numbers) return unsound;
  return {
    ok: true,
    value: {
      id: id!,
      madeAt: new Date(day!).toISOString(),
      profileId: profileId!,
      profileRevision: Number(revision),
      name: name!,
      isFor,
      by,
      conditions: read,
      stops: Object.fromEntries(
        wanted.map(([itemId, stop]) => [itemId, stop.startsWith('-') ? `${itemId}${stop}` : stop]),
      ),
      byHand: numbers,
    },
  };
}

/** A code as a set-up of an ESC that is here, and what of it this ESC does not have. */
export function setUpFromCode(code: ReadCode, profile: EscProfile): { setUp: SetUp; unknown: string[] } {
  const { stops, ...rest } = code;
  const isHere = ([itemId, stopId]: [string, string]): boolean =>
    profile.items.some((item) => item.id === itemId && hasStop(item, stopId));
  const known = Object.entries(stops).filter(isHere);
  return {
    setUp: {
      ...rest,
      profileName: profile.name,
      origin: 'code',
      parentId: null,
      note: '',
      reasons: {},
      values: setUpValues(profile, Object.fromEntries(known)),
    },
    unknown: Object.entries(stops)
      .filter((one) => !isHere(one))
      .map(([itemId, stopId]) => `${itemId} = ${stopId}`),
  };
}

function conditionsIn(part: readonly string[]): Conditions | undefined {
  const [rigName, vehicleClass, surface, ...numbers] = part;
  const [kvRpmPerVolt, packCells, massKg, finalDrive] = numbers.map(Number);
  const isFit = ([value, least, most]: readonly [number | undefined, number, number]): boolean =>
    value !== undefined && value >= least && value <= most;
  const isSound =
    numbers.length === 4 &&
    nameFault(rigName ?? '') === undefined &&
    Object.hasOwn(VEHICLE_CLASSES, vehicleClass ?? '') &&
    Object.hasOwn(SURFACES, surface ?? '') &&
    Number.isInteger(packCells) &&
    (
      [
        [kvRpmPerVolt, 1, 100_000],
        [packCells, 1, 20],
        [massKg, 0.01, 100],
        [finalDrive, 0.01, 200],
      ] as const
    ).every(isFit);
  if (!isSound) return undefined;
  return {
    rigName: rigName!,
    vehicleClass: vehicleClass as VehicleClass,
    surface: surface as Surface,
    kvRpmPerVolt: kvRpmPerVolt!,
    packCells: packCells!,
    massKg: massKg!,
    finalDrive: finalDrive!,
  };
}

function unescaped(part: string): string[] | undefined {
  try {
    return part === '' ? [] : part.split(',').map(decodeURIComponent);
  } catch {
    // A per cent sign that begins nothing.
    return undefined;
  }
}

/** Names with their values, each name once. */
function pairsIn(part: readonly string[]): [name: string, value: string][] | undefined {
  const pairs = part.map((one): [string, string] => {
    const [name = '', ...value] = one.split('=');
    return [name, value.join('=')];
  });
  const isSound = pairs.every(([name, value]) => isId(name) && /^[A-Za-z0-9._-]+$/.test(value));
  return isSound && new Set(pairs.map(([name]) => name)).size === pairs.length ? pairs : undefined;
}

const mapped = (pairs: readonly [string, string][], by: (value: string) => number): Record<string, number> =>
  Object.fromEntries(pairs.map(([name, value]) => [name, by(value)]));

const isId = (text: string | undefined): boolean =>
  /^[A-Za-z0-9._-]{1,80}$/.test(text ?? '') && badKey(text!) === undefined;

const refused = (sentence: string): Result<never> => ({ ok: false, problems: [{ path: '', sentence }] });
const unsound = refused('The code is complete, but it is not a set-up.');

/** CRC-32 (ISO 3309) of a text in UTF-8, eight hexadecimal digits. @param text without halves of letters */
export function checkSum(text: string): string {
  let crc = 0xffffffff;
  for (const byte of utf8(text)) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit += 1) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return ((crc ^ 0xffffffff) >>> 0).toString(16).padStart(8, '0');
}

/** Core knows no encoder: a text in an address is in UTF-8. */
const utf8 = (text: string): number[] =>
  [...encodeURIComponent(text).matchAll(/%([0-9A-F]{2})|(.)/g)].map(([, hex, letter]) =>
    hex === undefined ? letter!.charCodeAt(0) : Number.parseInt(hex, 16),
  );
