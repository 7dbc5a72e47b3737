/** What flows in a motor that draws a current that was logged. */
import { driveAt, newDrive, type BridgeSetting } from '../../physics/bridge';
import { driveFlow, type Flow } from '../../physics/motor';
import type { ResolvedRig } from '../../physics/resolved';

/** What was logged at a moment of driving. */
export interface DrivenMoment {
  duty: number;
  signal: number;
  sinceS: number;
  /** Of the pack under load, V, and out of it, A; one motor's share. */
  volts: number;
  amps: number;
  /** rad/s. */
  shaft: number;
}

const drive = newDrive();
/** So much of the winding's reactance resists, about. */
const LAGS = 0.7;
const ROUNDS = 2;
/** No step goes further than this share of the speed without load. */
const FURTHEST_STEP = 0.2;

/**
 * Fills a flow at the shaft speed at which the model draws the current that was logged: that speed is sharper than any current that
 * follows from a logged speed, which a thousandth moves by amperes. Where current does not fall with speed, as at a limit, it stays
 * at the logged one.
 * @param windingFactor resistance of the winding over that of the motor, for its temperature
 * @returns that speed, rad/s
 */
export function flowAtCurrent(
  { motor }: ResolvedRig,
  bridge: BridgeSetting,
  windingFactor: number,
  moment: DrivenMoment,
  flow: Flow,
): number {
  const { duty, signal, sinceS, volts, amps, shaft } = moment;
  const free = (duty * volts) / motor.constant;
  const most = FURTHEST_STEP * free;
  const offAt = (speed: number): number => {
    driveAt(bridge, duty, signal, speed, sinceS, drive);
    driveFlow(motor, windingFactor, drive, speed, volts, 0, flow);
    return flow.packAmps - amps;
  };
  // The first step is by the motor's plain resistance, the next by what that step did.
  let slope =
    -(duty * motor.constant) / (motor.resistance + LAGS * motor.polePairs * shaft * motor.inductance);
  let at = shaft;
  let off = offAt(at);
  for (let round = 0; round < ROUNDS; round += 1) {
    const next = Math.max(0, at - Math.max(-most, Math.min(most, off / slope)));
    const nextOff = offAt(next);
    if (next !== at) slope = (nextOff - off) / (next - at);
    [at, off] = [next, nextOff];
    if (!(slope < 0)) {
      offAt(shaft);
      return shaft;
    }
  }
  return at;
}

/**
 * The duty at which a current flows, about: d·(d·V − E)/R = I. While duty is still on its way up, nobody knows it otherwise.
 * @param amps out of the pack, ≥ 0
 */
export function dutyAtCurrent({ motor }: ResolvedRig, amps: number, volts: number, shaft: number): number {
  const emf = motor.constant * shaft;
  const resisting = motor.resistance + LAGS * motor.polePairs * shaft * motor.inductance;
  return (emf + Math.sqrt(emf * emf + 4 * volts * resisting * amps)) / (2 * volts);
}
