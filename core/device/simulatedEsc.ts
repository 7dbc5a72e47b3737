/**
 * The simulated ESC: a machine, its memory, a throttle pulse and a lamp, with time from outside.
 * It knows nothing that its profile does not say.
 */
import { factoryStops, itemById, type EscProfile } from '../esc/profile';
import { deadbandOf } from '../physics/escChain';
import { triggerChain } from '../physics/triggerChain';
import type { Config, EscMemory, Input, Machine, Observed } from '../procedure/language';
import { escMachine } from '../procedure/escMachine';
import { initialConfig, stateOf, step } from '../procedure/step';
import { throttleFraction } from '../radio/pulse';
import { commandOf, runMotor, STANDING, type MotorCommand, type SimulatedMotor } from './simulatedMotor';

export interface SimulatedEsc {
  profile: EscProfile;
  machine: Machine;
  config: Config;
  motor: SimulatedMotor;
}

/** What an ESC of this kind remembers when it is new. */
export const factoryMemory = (profile: EscProfile): EscMemory => ({
  stops: factoryStops(profile),
  range: profile.factoryRange,
});

/** An ESC on the bench, switched off. */
export function placeOnBench(profile: EscProfile, memory: EscMemory, stickMicros: number): SimulatedEsc {
  const machine = escMachine(profile);
  return { profile, machine, config: initialConfig(machine, memory, stickMicros), motor: STANDING };
}

/** One input from the hand or the clock. */
export function act(esc: SimulatedEsc, input: Input): { esc: SimulatedEsc; observed: Observed[] } {
  const { config, observed } = step(esc.machine, esc.config, input);
  const after = { ...esc, config };
  const lastedS = input.type === 'elapsed' ? input.ms / 1000 : 0;
  const motor = isDriving(after) ? runMotor(chainOf(after), esc.motor, signalOf(after), lastedS) : STANDING;
  return { esc: { ...after, motor }, observed };
}

/** Several, one after the other. */
export function actAll(
  from: SimulatedEsc,
  inputs: readonly Input[],
): { esc: SimulatedEsc; observed: Observed[] } {
  let esc = from;
  const observed: Observed[] = [];
  for (const input of inputs) {
    const answer = act(esc, input);
    esc = answer.esc;
    observed.push(...answer.observed);
  }
  return { esc, observed };
}

/** It forgets what it stored of an item: the factory's value is back, and nothing says so. */
export function loseValue(esc: SimulatedEsc, itemId: string): SimulatedEsc {
  const { config, profile } = esc;
  const stops = { ...config.memory.stops, [itemId]: itemById(profile, itemId).factoryStopId };
  return { ...esc, config: { ...config, memory: { ...config.memory, stops } } };
}

/** What the bridge is asked for. Nothing unless the ESC is armed and driving. */
export const motorCommand = (esc: SimulatedEsc): MotorCommand =>
  isDriving(esc) ? commandOf(chainOf(esc), esc.motor, signalOf(esc)) : { going: 'neutral', share: 0 };

/** What of the trigger arrives, −1 to 1. Nothing unless the ESC is armed and driving. */
export const triggerSignal = (esc: SimulatedEsc): number => (isDriving(esc) ? signalOf(esc) : 0);

const isDriving = ({ machine, config }: SimulatedEsc): boolean => stateOf(machine, config).role === 'driving';

const chainOf = ({ profile, config }: SimulatedEsc) => triggerChain(profile, config.memory.stops);

const signalOf = ({ profile, config: { memory, stickMicros } }: SimulatedEsc): number =>
  throttleFraction(memory.range, deadbandOf(profile, memory.stops), stickMicros);
