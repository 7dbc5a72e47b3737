/** What the stint comes to: how hot it gets, and whether it lasts. Limits of heat from memory. */
import { escBehaviour } from '../../physics/escChain';
import { withUnit } from '../../units/format';
import { drivenTo } from './driven';
import { isProven } from './proven';
import { moveToNumber, type Judge, type Remedy, type Situation } from './verdict';

/** A can above this is hot to be touched; above the second its magnets suffer, °C. */
export const HOT_CAN_C = 80;
const TOO_HOT_CAN_C = 100;
/** How a can is cooled is assumed, and may be so much better, as a share of what it warms: a hazard holds even then. From memory. */
const BETTER_COOLED = 0.3;
/** So near to what it stands, sunshine decides, K. */
export const NEAR_LIMIT_K = 10;

/** What cools without a loss of safety: less advance. Gearing does most, and is not the ESC's. */
const cooler = (situation: Situation): Remedy[] => [
  ...moveToNumber(situation, 'turbo', 0),
  ...moveToNumber(situation, 'boost', 0),
  ...moveToNumber(situation, 'advance', 0),
  {
    kind: 'station',
    label: isOnWheels(situation) ? 'Gear lower, or check mass and motor' : 'Use a smaller propeller',
    station: 'rig',
  },
];

const duringIt = ({ goals }: Situation): string =>
  goals.use.raceMinutes === null ? 'one pack' : withUnit(goals.use.raceMinutes, 'min', 1);

const isOnWheels = ({ rig }: Situation): boolean => rig.vehicle.kind === 'wheels';

export const canHot: Judge = (situation) => {
  const can = drivenTo('stint', 'can', situation);
  if (can === undefined || can <= HOT_CAN_C) return undefined;
  const air = situation.rig.vehicle.airCelsius.value;
  const isSure = can - BETTER_COOLED * (can - air) > TOO_HOT_CAN_C;
  return {
    id: 'canHot',
    grade: isSure ? 'hazard' : 'caution',
    setting: undefined,
    title: isSure ? 'The motor would be ruined by heat.' : 'The motor gets hot.',
    sentence: `Predicted can temperature: ${isProven(situation) ? `about ${withUnit(10 * Math.round(can / 10), '°C', 0)}` : `more than ${HOT_CAN_C} °C`} in ${duringIt(situation)} of your lap, with assumed cooling. Keep the first run to two minutes and measure the can. Above ${HOT_CAN_C} °C is hot; above ${TOO_HOT_CAN_C} °C the magnets suffer.`,
    remedies: cooler(situation),
  };
};

export const escHot: Judge = (situation) => {
  const { rig, profile, stops, range } = situation;
  const esc = drivenTo('stint', 'esc', situation);
  const own = escBehaviour(profile, stops, rig.channel, range, rig.pack.cells).escLimitC;
  const limit = Math.min(own, profile.limits.temperatureLimitC ?? Infinity);
  if (esc === undefined || esc <= limit - NEAR_LIMIT_K) return undefined;
  return {
    id: 'escHot',
    grade: 'caution',
    setting: undefined,
    title: 'The ESC gets about as hot as it may.',
    sentence: `Predicted case temperature: ${isProven(situation) ? `to ${withUnit(esc, '°C', 0)}` : 'near that'} in ${duringIt(situation)} of your lap; the limit is ${withUnit(limit, '°C', 0)}. Cooling is assumed. ${rig.fan ? 'An opening in the body' : 'A fan, or an opening in the body,'} helps most.`,
    remedies: [
      ...moveToNumber(situation, 'driveFrequency', 8),
      { kind: 'station', label: rig.fan ? 'Check motor and pack' : 'Add a fan', station: 'rig' },
    ],
  };
};

export const doesNotLast: Judge = (situation) => {
  const { raceMinutes } = situation.goals.use;
  const spare = drivenTo('stint', 'spare', situation);
  if (raceMinutes === null || spare === undefined || spare >= 0) return undefined;
  const heat = drivenTo('stint', 'heatStop', situation) ?? Infinity;
  const cutoff = drivenTo('stint', 'cutoff', situation) ?? Infinity;
  const why = heat < cutoff ? 'heat stops it' : cutoff < Infinity ? 'the cutoff acts' : 'the pack is empty';
  return {
    id: 'doesNotLast',
    grade: 'caution',
    setting: undefined,
    title: `It will not last ${withUnit(raceMinutes, 'min', 1)}.`,
    sentence: `Predicted: ${why} about ${withUnit(Math.max(1, -spare), 'min', 0)} before the end. ${isOnWheels(situation) ? 'Gear lower, use a larger pack, or drive more gently' : 'Use a larger pack or a smaller propeller, or less throttle'}.`,
    remedies: [
      {
        kind: 'station',
        label: isOnWheels(situation) ? 'Check pack and gearing' : 'Check pack and propeller',
        station: 'rig',
      },
    ],
  };
};
