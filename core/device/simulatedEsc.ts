/**
 * The simulated ESC: a machine, its memory, a throttle pulse and a lamp, with time from outside.
 * It knows nothing that its profile does not say.
 */
import { factoryStops, type EscProfile } from '../esc/profile';
import { deadbandOf } from '../physics/escChain';
import type { Config, EscMemory, Input, Machine, Observed } from '../procedure/language';
import { escMachine } from '../procedure/escMachine';
import { initialConfig, stateOf, step } from '../procedure/step';
import { throttleFraction } from '../radio/pulse';

export interface SimulatedEsc {
  profile: EscProfile;
  machine: Machine;
  config: Config;
}

/** What an ESC of this kind remembers when it is new. */
export const factoryMemory = (profile: EscProfile): EscMemory => ({
  stops: factoryStops(profile),
  range: profile.factoryRange,
});

/** An ESC on the bench, switched off. */
export function placeOnBench(profile: EscProfile, memory: EscMemory, stickMicros: number): SimulatedEsc {
  const machine = escMachine(profile);
  return { profile, machine, config: initialConfig(machine, memory, stickMicros) };
}

/** One input from the hand or the clock. */
export function act(esc: SimulatedEsc, input: Input): { esc: SimulatedEsc; observed: Observed[] } {
  const { config, observed } = step(esc.machine, esc.config, input);
  return { esc: { ...esc, config }, observed };
}

/** What the motor is asked for: −1 full brake, 0 nothing, 1 full throttle. Zero unless the ESC is armed and driving. */
export function motorDemand({ profile, machine, config }: SimulatedEsc): number {
  if (stateOf(machine, config).role !== 'driving') return 0;
  return throttleFraction(config.memory.range, deadbandOf(profile, config.memory.stops), config.stickMicros);
}
