/** The supply test: every servo worked at once, the lowest bus voltage read. */
import { formatNumber } from '../units/format';

export interface SupplyTest {
  /** What the BEC is set to, V. */
  setVolts: number;
  /** The lowest reading while everything moved, V. */
  lowestVolts: number;
}

export type SupplyGrade = 'healthy' | 'weak' | 'dangerous';

export interface SupplyFinding {
  grade: SupplyGrade;
  sagVolts: number;
  title: string;
  /** What it was judged against. */
  reason: string;
  /** What to do next, most telling first. */
  next: string[];
}

/** A sag up to here is healthy when two large servos move. Common practice. */
const HEALTHY_SAG_VOLTS = 0.2;
/** Sagging more than this in a test on the bench, a bus has nothing left for a stall. From memory. */
const WORST_SAG_VOLTS = 0.6;
/** Where many receivers give up. From memory: look into the receiver's own paper. */
export const RECEIVER_LEAST_VOLTS = 3.5;
/** What must be left above that: a stalled servo pulls more than a moving one. From memory. */
const RECEIVER_MARGIN_VOLTS = 1;

/**
 * Judges the lowest bus voltage against the healthy sag and the receiver's limit.
 * @throws {RangeError} where the lowest lies above what is set by more than a meter is off: one of them is wrong
 */
export function judgeSupply({ setVolts, lowestVolts }: SupplyTest): SupplyFinding {
  if (lowestVolts > setVolts + METER_ERROR_VOLTS)
    throw new RangeError(`lowest ${lowestVolts} V above the set ${setVolts} V`);
  // To a hundredth, as meters read: 7.4 − 7.2 is not a hair more than 0.2.
  const sagVolts = Math.max(0, Math.round((setVolts - lowestVolts) * 100) / 100);
  const sag = `It sagged by ${formatNumber(sagVolts, 2)} V; 0.1 to ${HEALTHY_SAG_VOLTS} V is healthy.`;
  const left = `Many receivers fail near ${RECEIVER_LEAST_VOLTS} V; ${formatNumber(lowestVolts - RECEIVER_LEAST_VOLTS, 2)} V were left.`;
  const nearReceiver = lowestVolts < RECEIVER_LEAST_VOLTS + RECEIVER_MARGIN_VOLTS;
  const reason = `${sag} ${left}`;
  if (sagVolts > WORST_SAG_VOLTS || nearReceiver)
    return {
      grade: 'dangerous',
      sagVolts,
      title: 'Do not drive or fly like this.',
      reason,
      next: [
        'Unplug the servos one by one and test again. One that binds or is broken pulls more than all others.',
        'Check plugs and leads: thin or long ones lose voltage.',
        'Feed the servos from an external BEC. Isolate the red wire of the ESC’s throttle lead.',
      ],
    };
  if (sagVolts > HEALTHY_SAG_VOLTS)
    return {
      grade: 'weak',
      sagVolts,
      title: 'The supply is working hard.',
      reason,
      next: [
        'Free the linkages: no servo may push against its end.',
        'Compare with the BEC budget on the Rig page: the servos may need more than the BEC gives.',
        'Do not raise the BEC voltage to help: the servos would only draw more.',
      ],
    };
  return {
    grade: 'healthy',
    sagVolts,
    title: 'The supply holds.',
    reason,
    next: ['Nothing to do. Test again after you change a servo.'],
  };
}

/** What two readings of an ordinary meter may differ by, V. From memory. */
export const METER_ERROR_VOLTS = 0.15;
