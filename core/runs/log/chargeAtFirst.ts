import { chargeAt } from '../../physics/pack';
import type { Pack } from '../../rig/rig';
import { channelOf, type Log } from './channels';

/** A pack that gives less rests, A. */
const RESTING_AMPS = 1;
/** Only what it rests before it is driven tells how full it began, s. */
const AT_FIRST_S = 20;

/**
 * How full a pack was when its log began, 0 to 1, by its volts while it rested.
 * @param usual where it never did before it was driven
 */
export function chargeAtFirst(
  log: Log,
  { chemistry, cells }: Pick<Pack, 'chemistry' | 'cells'>,
  usual: number,
): number {
  const volts = channelOf(log, 'packVolts')?.values;
  const amps = channelOf(log, 'amps')?.values;
  if (!volts || !amps) return usual;
  const { seconds } = log;
  for (let n = 0; n < seconds.length && seconds[n]! - seconds[0]! <= AT_FIRST_S; n += 1) {
    if (Math.abs(amps[n]!) >= RESTING_AMPS) return usual;
    if (!Number.isNaN(volts[n]!) && !Number.isNaN(amps[n]!)) return chargeAt(chemistry, volts[n]! / cells);
  }
  return usual;
}
