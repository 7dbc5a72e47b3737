/**
 * The words on the line between a computer and an ESC: one request and one reply a line, each with a number
 * and a checksum, so that a reply can be told from a late one and a garbled line from a whole one.
 * Described for others in docs/link-protocol.md.
 */

export const PROTOCOL_NAME = 'live-tune-link';
export const PROTOCOL_VERSION = 3;
/** What whoever asks without a version speaks. It knows no log. */
export const OLDEST_VERSION = 2;
/** From this version on an ESC tells what it logged, and its numbers while it is driven. */
export const LOGS_SINCE = 3;

/** What every ESC is delivered with: whoever is near knows it too. */
export const FACTORY_PASS_CODE = 1111;

/** A pass code has four digits, the first of them no zero. */
export const isPassCode = (code: number): boolean => Number.isInteger(code) && code >= 1000 && code <= 9999;

/** Lines longer than this are none of ours. */
export const LONGEST_LINE = 240;

export type Request =
  /** Whoever names no version speaks the oldest. */
  | { verb: 'ID'; version?: number }
  | { verb: 'PAIR'; code: number }
  | { verb: 'PASS'; code: number }
  | { verb: 'READ'; item: number }
  | { verb: 'WRITE'; item: number; stop: number }
  | { verb: 'SAVE' }
  /** What the ESC logged, in a few numbers. */
  | { verb: 'SUMMARY' }
  /** A block of its log, from 1. */
  | { verb: 'LOG'; block: number }
  /** Forgets a log, and only that one. */
  | { verb: 'CLEAR'; log: number }
  /** The numbers of this moment, while it is driven. */
  | { verb: 'LIVE' }
  | { verb: 'RESTART' };
export type Verb = Request['verb'];

/** Why an ESC says no. */
export const REFUSALS = {
  garbled: 'the line was garbled',
  unknown: 'there is no such request',
  noItem: 'there is no such item',
  noStop: 'the item has no such stop',
  noLog: 'it has no such log',
  still: 'it is not driven',
  driven: 'it is being driven',
  busy: 'another computer is on the line',
  locked: 'the pass code is not right',
} as const;
export type Refusal = keyof typeof REFUSALS;

export type Reply = { ok: true; words: string[] } | { ok: false; refusal: Refusal };

export interface Numbered<T> {
  number: number;
  body: T;
}

/**
 * CRC-16 with polynomial 0x1021 and start 0xFFFF, as four hex digits.
 * Source: CRC-16/IBM-3740 in the catalogue of parametrised CRC algorithms; check value of "123456789" is 29B1.
 */
export function checksum(text: string): string {
  let crc = 0xffff;
  for (let at = 0; at < text.length; at += 1) {
    crc ^= (text.charCodeAt(at) & 0xff) << 8;
    for (let bit = 0; bit < 8; bit += 1) crc = ((crc << 1) ^ (crc & 0x8000 ? 0x1021 : 0)) & 0xffff;
  }
  return crc.toString(16).toUpperCase().padStart(4, '0');
}

const sealed = (words: (string | number)[]): string => {
  const text = words.join(' ');
  return `${text} *${checksum(text)}\n`;
};

/** A request as a line, with its line end. @param number 1 to 9999 */
export function requestLine({ number, body }: Numbered<Request>): string {
  switch (body.verb) {
    case 'PAIR':
    case 'PASS':
      return sealed([number, body.verb, body.code]);
    case 'ID':
      return sealed(body.version === undefined ? [number, body.verb] : [number, body.verb, body.version]);
    case 'LOG':
      return sealed([number, body.verb, body.block]);
    case 'CLEAR':
      return sealed([number, body.verb, body.log]);
    case 'READ':
      return sealed([number, body.verb, body.item]);
    case 'WRITE':
      return sealed([number, body.verb, body.item, body.stop]);
    default:
      return sealed([number, body.verb]);
  }
}

/** A reply as a line, with its line end. */
export const replyLine = ({ number, body }: Numbered<Reply>): string =>
  sealed(body.ok ? [number, 'OK', ...body.words] : [number, 'NO', body.refusal]);

/** The words of a line whose checksum holds; undefined for any other. @param line without its line end */
function openSealed(line: string): string[] | undefined {
  const [, text, sum] = /^(.*) \*([0-9A-F]{4})$/.exec(line) ?? [];
  if (text === undefined || line.length > LONGEST_LINE || checksum(text) !== sum) return undefined;
  return text.split(' ');
}

/** Reads a request. @returns undefined where the line is garbled; a body of undefined where it is whole but no request */
export function readRequest(line: string): Numbered<Request | undefined> | undefined {
  const [number, verb, ...rest] = openSealed(line) ?? [];
  if (number === undefined || !/^\d{1,4}$/.test(number)) return undefined;
  const args = rest.map(Number);
  const whole = args.every((n) => Number.isInteger(n) && n > 0);
  return { number: Number(number), body: whole ? requestOf(verb, args) : undefined };
}

function requestOf(verb: string | undefined, args: number[]): Request | undefined {
  const [item, stop] = args;
  switch (verb) {
    case 'ID':
      if (args.length > 1) return undefined;
      return item === undefined ? { verb } : { verb, version: item };
    case 'SAVE':
    case 'SUMMARY':
    case 'LIVE':
    case 'RESTART':
      return args.length === 0 ? { verb } : undefined;
    case 'LOG':
      return args.length === 1 ? { verb, block: item! } : undefined;
    case 'CLEAR':
      return args.length === 1 ? { verb, log: item! } : undefined;
    case 'PAIR':
    case 'PASS':
      return args.length === 1 && isPassCode(item!) ? { verb, code: item! } : undefined;
    case 'READ':
      return args.length === 1 ? { verb, item: item! } : undefined;
    case 'WRITE':
      return args.length === 2 ? { verb, item: item!, stop: stop! } : undefined;
    default:
      return undefined;
  }
}

/** Reads a reply. @returns undefined where the line is garbled or no reply */
export function readReply(line: string): Numbered<Reply> | undefined {
  const [number, word, ...words] = openSealed(line) ?? [];
  if (number === undefined || !/^\d{1,4}$/.test(number)) return undefined;
  if (word === 'OK') return { number: Number(number), body: { ok: true, words } };
  const [refusal] = words;
  if (word !== 'NO' || refusal === undefined || !Object.hasOwn(REFUSALS, refusal)) return undefined;
  return { number: Number(number), body: { ok: false, refusal: refusal as Refusal } };
}

/** How an ESC on the line names itself. */
export interface Identity {
  /** Of the protocol, as it is spoken with whoever asked. */
  version: number;
  profileId: string;
  profileRevision: number;
  /** Of this very ESC. */
  serial: string;
  /** How often it was switched on: a change says that what was not saved is gone. */
  starts: number;
  /** Values that were written and not saved. */
  unsaved: number;
}

export const identityWords = (identity: Identity): string[] => [
  PROTOCOL_NAME,
  String(identity.version),
  identity.profileId,
  String(identity.profileRevision),
  identity.serial,
  String(identity.starts),
  String(identity.unsaved),
];

/** Reads the answer to ID. @returns undefined where it is no ESC of this protocol */
export function readIdentity(words: string[]): Identity | undefined {
  const [name, version, profileId, revision, serial, starts, unsaved] = words;
  const isSpoken = Number(version) >= OLDEST_VERSION && Number(version) <= PROTOCOL_VERSION;
  if (name !== PROTOCOL_NAME || !isSpoken || unsaved === undefined) return undefined;
  return {
    version: Number(version),
    profileId: profileId!,
    profileRevision: Number(revision),
    serial: serial!,
    starts: Number(starts),
    unsaved: Number(unsaved),
  };
}
