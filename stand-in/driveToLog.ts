/** Drives the model that the plugged-in ESC is in, as it really is, and has the ESC log it. */
import type { DriveToLog } from '#core/device/control';
import { handValuesOf } from '#core/rig/handValues';
import type { Rig } from '#core/rig/rig';
import type { Use } from '#core/rig/use';
import { drive, logOf } from '#core/runs/drive/drive';
import { trueModel } from '#core/runs/drive/trueModel';
import { lengthOf, type Log } from '#core/runs/log/channels';
import { packLog } from '#core/runs/log/packed';
import { endsOf } from '#core/runs/log/readingsOfLog';
import type { StandInBench } from './bench';
import { PlayedDrive } from './playedDrive';

/** The model behind a serial number: always the same one. */
const seedOf = (serial: string): number =>
  serial.split('').reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, 7) + 1;

/**
 * Drives, at once or at a pace. The drive is logged at its end.
 * @throws {Error} where no ESC is plugged in, where its log is full, where it is driven already, or where the rig
 * leads nowhere
 */
export function driveToLog(bench: StandInBench, serial: string, order: DriveToLog): void {
  const { esc } = bench;
  if (esc?.serial !== serial) throw new Error('another ESC is plugged in');
  if (esc.log) throw new Error('its log is full: it beeps until that is read and cleared');
  if (bench.driving) throw new Error('it is being driven');
  const rig = order.rig as Rig;
  const number = bench.nextLog();
  const model = trueModel(rig, seedOf(serial));
  const driven = drive(model, {
    number,
    profile: esc.profile,
    stops: esc.kept.stops,
    range: esc.kept.range,
    use: order.use as Use,
    run: { byHand: handValuesOf(rig), airCelsius: order.airCelsius },
    minutes: order.minutes,
  });
  const log = logOf(model, driven, number);
  if (order.pace === undefined) record(bench, log);
  else bench.drive(new PlayedDrive(log, order.pace, () => record(bench, log)));
}

function record(bench: StandInBench, log: Log): void {
  const ends = new Map(endsOf(log).map(({ kind, ...one }) => [kind, one]));
  bench.record(
    {
      seconds: lengthOf(log),
      leastVolts: ends.get('packVolts')!.least,
      mostRpm: ends.get('rpm')!.most,
      mostMotorCelsius: ends.get('canCelsius')!.most,
      mostEscCelsius: ends.get('escCelsius')!.most,
    },
    packLog(log),
  );
}
