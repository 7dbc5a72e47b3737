/** What matters at home: what should not lie as it lies, and what should not stay as it is. */
import { PACK_STATES, packState, STORAGE_VOLTS } from '../packs/packState';
import { FULL_FOR_DAYS, packWarnings } from '../packs/packWarnings';
import type { PackLife } from '../packs/shelfPack';

export interface Reminder {
  kind: 'pack' | 'putBack' | 'firmware';
  /** Of the pack or the rig. */
  id: string;
  sentence: string;
  /** What to do. */
  remedy: string;
}

/** What is known of a rig without looking into its stations. */
export interface RigAtHome {
  id: string;
  name: string;
  /** Values of an event that is over, by their names, that are not back for certain. */
  overdue: readonly string[];
  /** Values that nobody knows since a firmware update. */
  unknownSinceUpdate: number;
}

/** Everything to do, the most harmful first: packs, then values, then firmware. @param now milliseconds */
export function remindersOf(packs: readonly PackLife[], rigs: readonly RigAtHome[], now: number): Reminder[] {
  return [
    ...packs.flatMap((life) => ofPack(life, now)),
    ...rigs.flatMap(ofRig).toSorted((a, b) => KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind)),
  ];
}

const KINDS: readonly Reminder['kind'][] = ['pack', 'putBack', 'firmware'];

function ofPack(life: PackLife, now: number): Reminder[] {
  const { id, label } = life.pack;
  const { state } = packState(life, now);
  if (state === 'outOfUse') return [];
  const told = packWarnings(life, now)
    .filter((warning) => AT_HOME.includes(warning.id))
    .map(({ sentence, remedy }): Reminder => ({
      kind: 'pack',
      id,
      sentence: `${label}: ${sentence}`,
      remedy,
    }));
  const lies = emptyForDays(life, now);
  return lies ? [...told, { kind: 'pack', id, ...lies }] : told;
}

/** What will not wait until the pack is used again. */
const AT_HOME: readonly ReturnType<typeof packWarnings>[0]['id'][] = ['onCharger', 'fullForDays', 'tooLow'];

function emptyForDays(life: PackLife, now: number): Pick<Reminder, 'sentence' | 'remedy'> | undefined {
  const { label, chemistry } = life.pack;
  const { state, since } = packState(life, now);
  if (state !== 'used' || since === undefined || !STORAGE_VOLTS[chemistry]) return undefined;
  const days = Math.floor((now - Date.parse(since)) / 86_400_000);
  return days < FULL_FOR_DAYS
    ? undefined
    : {
        sentence: `${label}: it has been ${PACK_STATES.used} for ${days} days.`,
        remedy: 'Bring it to storage voltage.',
      };
}

function ofRig({ id, name, overdue, unknownSinceUpdate }: RigAtHome): Reminder[] {
  const found: Reminder[] = [];
  if (overdue.length > 0)
    found.push({
      kind: 'putBack',
      id,
      sentence: `${name}: ${overdue.join(', ')} ${overdue.length === 1 ? 'is' : 'are'} still as for the event.`,
      remedy: 'Put back what it was, and verify it.',
    });
  if (unknownSinceUpdate > 0)
    found.push({
      kind: 'firmware',
      id,
      sentence: `${name}: ${unknownSinceUpdate} ${unknownSinceUpdate === 1 ? 'value is' : 'values are'} unknown since a firmware update.`,
      remedy: 'Read what the ESC holds.',
    });
  return found;
}
