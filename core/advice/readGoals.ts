import {
  PURPOSES,
  SURFACES,
  type Goals,
  type Override,
  type Purpose,
  type Surface,
  type Temporary,
  type WaitingDraft,
} from './goals';
import { readUse } from '../rig/readUse';
import { readHandValues } from '../rig/handValues';
import { readReasons } from '../sheet/intents';
import { SCHOOLS } from './disagreements';

/** What a page sent as the driver's goals; undefined where it is none: an unknown word, or a side that no question has. */
export function readGoals(sent: unknown): Goals | undefined {
  if (typeof sent !== 'object' || sent === null) return undefined;
  const {
    purpose,
    surface,
    use: sentUse,
    schools,
    overridden,
    temporary,
    waiting = null,
  } = sent as Record<string, unknown>;
  if (typeof purpose !== 'string' || !Object.hasOwn(PURPOSES, purpose)) return undefined;
  if (typeof surface !== 'string' || !Object.hasOwn(SURFACES, surface)) return undefined;
  const use = readUse(sentUse);
  if (!use) return undefined;
  if (!isRecordOf(schools, isSide)) return undefined;
  if (!isRecordOf(overridden, isOverride) || !isRecordOf(temporary, isTemporary)) return undefined;
  if (waiting !== null && !isWaiting(waiting)) return undefined;
  return {
    purpose: purpose as Purpose,
    surface: surface as Surface,
    use,
    schools: schools as Goals['schools'],
    overridden: overridden as Goals['overridden'],
    temporary: temporary as Goals['temporary'],
    waiting: waiting as Goals['waiting'],
  };
}

const isRecordOf = (sent: unknown, fits: (value: unknown, id: string) => boolean): boolean =>
  typeof sent === 'object' && sent !== null && Object.entries(sent).every(([id, value]) => fits(value, id));

const isSide = (side: unknown, id: string): boolean =>
  SCHOOLS.some((school) => school.id === id && school.sides.some((one) => one.id === side));

const LONGEST = 1000;
const isText = (value: unknown): value is string =>
  typeof value === 'string' && value.length > 0 && value.length <= LONGEST;

function isOverride(sent: unknown): boolean {
  const { sentence, reason } = (sent ?? {}) as Partial<Override>;
  return isText(sentence) && isText(reason);
}

function isTemporary(sent: unknown): boolean {
  const { stopId, returnsToStopId, until, since } = (sent ?? {}) as Partial<Temporary>;
  return (
    isText(stopId) &&
    isText(returnsToStopId) &&
    isText(until) &&
    /^\d{4}-\d{2}-\d{2}$/.test(until) &&
    (since === undefined || (isText(since) && !Number.isNaN(Date.parse(since))))
  );
}

function isWaiting(sent: unknown): boolean {
  const { name, stops, byHand, reasons, setUpId } = (sent ?? {}) as Partial<WaitingDraft>;
  return (
    (name === 'A' || name === 'B') &&
    isRecordOf(stops, isText) &&
    readHandValues(byHand) !== undefined &&
    readReasons(reasons) !== undefined &&
    (setUpId === null || isText(setUpId))
  );
}
