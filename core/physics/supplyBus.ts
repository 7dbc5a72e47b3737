import type { BusModel } from './resolved';
/**
 * The supply bus: what the BEC holds under servos that move and stall together. A BEC gives its set voltage through its own
 * and the wires' resistance up to its limit, for a moment half as much again; beyond, the voltage falls until what the
 * servos draw, which goes with the voltage, is what it gives. Currents at 6 V, from memory.
 */

/** BEC, plugs and wires together, ohm. Assumed. */
const BUS_OHM = 0.035;
/** More than the continuous current for so long, s, by this factor. Assumed. */
const BURST_FACTOR = 1.5;
const BURST_S = 1;
/** What the currents of servos are stated at, V. */
const STATED_VOLTS = 6;
/** Where many receivers give up, V. From memory. */
export const BROWN_OUT_VOLTS = 3.5;

/** What a slam asks for over its time: all servos start, hold against a stop, move, rest. */
const PHASES: readonly { untilS: number; load: 'idleAmps' | 'movingAmps' | 'stallAmps' }[] = [
  { untilS: 0.25, load: 'idleAmps' },
  { untilS: 0.55, load: 'stallAmps' },
  { untilS: 2, load: 'movingAmps' },
  { untilS: 2.5, load: 'idleAmps' },
];
export const SLAM_S = PHASES.at(-1)!.untilS;

/** The bus voltage at a time of a slam, V, and what is drawn, A. */
export function slamAt(bus: BusModel, setVolts: number, timeS: number): { volts: number; amps: number } {
  const phase = PHASES.find(({ untilS }) => timeS < untilS) ?? PHASES.at(-1)!;
  const slammingS = timeS - PHASES[0]!.untilS;
  const limit = bus.continuousAmps * (slammingS < BURST_S ? BURST_FACTOR : 1);
  const perVolt = bus[phase.load] / STATED_VOLTS;
  const free = setVolts / (1 + perVolt * BUS_OHM);
  const amps = perVolt * free;
  if (amps <= limit || perVolt === 0) return { volts: free, amps };
  return { volts: limit / perVolt, amps: limit };
}

/** What a switching BEC loses of what it gives. From memory. */
const SWITCHING_LOSS = 0.12;
/** Of the time, servos move in a drive. From memory. */
const MOVING_SHARE = 0.3;

/** What the bus draws in a drive, A at its own voltage. */
const usualAmps = ({ idleAmps, movingAmps }: BusModel): number =>
  idleAmps + MOVING_SHARE * Math.max(0, movingAmps - idleAmps);

/**
 * What the bus takes out of one motor's share of the pack in a drive, A: a linear BEC passes its current on, a switching one
 * its power.
 * @param becVolts of the ESC's own; 0 where there is none
 */
export function busPackAmps(bus: BusModel, becVolts: number, packVolts: number): number {
  const volts = bus.externalVolts ?? becVolts;
  if (volts <= 0 || packVolts <= 0) return 0;
  const passesOn = bus.isLinear && bus.externalVolts === undefined;
  const share = passesOn ? 1 : volts / ((1 - SWITCHING_LOSS) * packVolts);
  return (usualAmps(bus) * share) / bus.sharedByMotors;
}

/**
 * Heat of the ESC's own BEC, W: a linear one turns the whole difference of voltages into heat, (V − V_bec)·I.
 * @param becVolts 0 where there is none
 */
export function becWatts(bus: BusModel, becVolts: number, packVolts: number): number {
  if (bus.externalVolts !== undefined || becVolts <= 0) return 0;
  const amps = usualAmps(bus);
  return bus.isLinear ? Math.max(0, packVolts - becVolts) * amps : SWITCHING_LOSS * becVolts * amps;
}
