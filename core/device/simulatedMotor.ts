/**
 * The motor of the simulated ESC on the bench: which way it is worked, by the same direction machine and the same trigger
 * chain as in the drills, and how long it runs out.
 */
import { AT_NEUTRAL, nextDirection, type Direction } from '../esc/direction';
import { brakeStrengthOf, dutyOf, reverseDutyOf, type TriggerChain } from '../physics/triggerChain';

export interface SimulatedMotor {
  direction: Direction;
  /** Which way it turns: −1, 0 or 1. */
  turning: -1 | 0 | 1;
  /** Until it stands, once nothing drives it, s. */
  runsOutS: number;
}

/** What the bridge is asked for: duty or brake strength, 0 to 1. */
export interface MotorCommand {
  going: Direction['going'];
  share: number;
}

/** Free wheels or a propeller coming to rest, let go and braked, s. Assumed. */
const RUNS_OUT_S = { neutral: 1, brake: 0.3 };

export const STANDING: SimulatedMotor = { direction: AT_NEUTRAL, turning: 0, runsOutS: 0 };

/** The motor after a while with the trigger at a signal, −1 to 1. */
export function runMotor(
  chain: TriggerChain,
  motor: SimulatedMotor,
  signal: number,
  lastedS: number,
): SimulatedMotor {
  const direction = nextDirection(chain.direction, motor.direction, {
    signal,
    turning: motor.turning,
    lastedS,
  });
  const { going } = direction;
  if (going === 'forward') return { direction, turning: 1, runsOutS: RUNS_OUT_S.neutral };
  if (going === 'reverse') return { direction, turning: -1, runsOutS: RUNS_OUT_S.neutral };
  const runsOutS = Math.max(0, Math.min(motor.runsOutS, RUNS_OUT_S[going]) - lastedS);
  return { direction, turning: runsOutS > 0 ? motor.turning : 0, runsOutS };
}

/** What the bridge does for a signal, the way the motor is worked now. */
export function commandOf(chain: TriggerChain, { direction }: SimulatedMotor, signal: number): MotorCommand {
  const { going } = direction;
  if (going === 'forward') return { going, share: dutyOf(chain, signal) };
  if (going === 'reverse') return { going, share: reverseDutyOf(chain, -signal) };
  if (going === 'brake') return { going, share: brakeStrengthOf(chain, -signal) };
  return { going, share: chain.dragBrake };
}
