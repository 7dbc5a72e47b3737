/** The simulated ESC of a bench is driven, as its model really is. Whoever looks on sees its numbers meanwhile. */
import { withMoment, type LiveEnds, type LiveReading } from '#core/link/live';
import type { Bench } from '../repositories/rigs';
import { LinkError, type EscLink } from './escLink';
import { askHands } from './hands';
import { LINK_BUSY, takeLink } from './linkUse';
import { controlPort, openStandIn, plugInSimulated, serialOf } from './standIn';

/** How long a simulated drive is, minutes. */
export const DRIVE_MINUTES = 3;
/** One that is looked at goes so many times as fast as a real one. */
export const DRIVE_PACE = 15;

export type DriveView =
  | { state: 'driving'; live: LiveReading | undefined; ends: LiveEnds }
  | { state: 'driven'; ends: LiveEnds }
  | { state: 'failed'; sentence: string };

/** By rig: the drive that is looked at, or was last. They live as long as the server does. */
const drives = new Map<string, DriveView>();

/** The last drive of a rig that was looked at; undefined where there was none since the server started. */
export const driveOf = (rigId: string): DriveView | undefined => drives.get(rigId);

/** Drives at once, and ends when the drive is logged. @throws {LinkError} where it cannot */
export async function driveAtOnce(bench: Bench): Promise<void> {
  const giveBack = takeLink();
  if (!giveBack) throw new LinkError('busy', LINK_BUSY);
  try {
    await order(bench);
  } finally {
    giveBack();
  }
}

/** Begins a drive that is looked at. @throws {LinkError} where it cannot begin */
export async function beginDrive(bench: Bench): Promise<void> {
  const giveBack = takeLink();
  if (!giveBack) throw new LinkError('busy', LINK_BUSY);
  try {
    await order(bench, DRIVE_PACE);
  } catch (error) {
    giveBack();
    throw error;
  }
  drives.set(bench.rigId, { state: 'driving', live: undefined, ends: {} });
  void follow(bench)
    .then((end) => drives.set(bench.rigId, end))
    .finally(giveBack);
}

/** What is computed of a drive before it begins takes a moment. */
const BEGINS_WITHIN_MS = 20_000;

async function order(bench: Bench, pace?: number): Promise<void> {
  const { rig, profile, goals } = bench;
  await plugInSimulated(bench, profile);
  await askHands(
    controlPort(),
    {
      do: 'drive',
      serial: serialOf(bench),
      drive: {
        rig,
        use: goals.use,
        minutes: DRIVE_MINUTES,
        airCelsius: rig.vehicle.airCelsius.value,
        ...(pace !== undefined && { pace }),
      },
    },
    BEGINS_WITHIN_MS,
  );
}

const ASK_EVERY_MS = 200;
/** An ESC that says after so long that it is driven is not the one that was: nobody else would get the link. */
const OVER_WITHIN_MS = (2 * 60_000 * DRIVE_MINUTES) / DRIVE_PACE + 10_000;

/** Asks the ESC for its numbers until it stands still. */
async function follow(bench: Bench): Promise<DriveView> {
  let link: EscLink | undefined;
  let ends: LiveEnds = {};
  try {
    link = await openStandIn();
    await link.pair(bench.linkPassCode);
    const until = performance.now() + OVER_WITHIN_MS;
    while (performance.now() < until) {
      const live = await link.live();
      ends = withMoment(ends, live);
      drives.set(bench.rigId, { state: 'driving', live, ends });
      await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
    }
    return { state: 'failed', sentence: 'The drive does not end. Unplug the ESC, and plug it in again.' };
  } catch (error) {
    if (error instanceof LinkError && error.code === 'still') return { state: 'driven', ends };
    if (!(error instanceof LinkError)) console.error(error);
    return {
      state: 'failed',
      sentence:
        error instanceof LinkError ? error.message : 'Something went wrong in Live Tune. See its log.',
    };
  } finally {
    link?.close();
  }
}
