/**
 * What the lowest and the highest of a row of bare levels is taken to mean while nobody has stated or measured it.
 * From memory: the physical size of a level is published nowhere. Everything made from it is marked assumed.
 */
import { isNamed, VOCABULARY, type SettingId } from '../settings/vocabulary';

const LEVEL_RANGE: Partial<Record<SettingId, readonly [lowest: number, highest: number]>> = {
  launchStrength: [100, 1000],
  launchLimit: [0, 80],
  startPower: [25, 100],
  startForce: [0, 10],
  torqueLimit: [20, 100],
  throttleCurve: [15, 50],
  brakeCurve: [15, 50],
  deadband: [20, 80],
  driveFrequency: [8, 24],
  brakeFrequency: [1, 8],
  advance: [0, 25],
  boost: [0, 40],
  turbo: [0, 30],
  dragRamp: [0.05, 1],
  startAcceleration: [0.2, 2],
  softStart: [2, 12],
  response: [0.05, 0.8],
  // Sixty degrees behind leave half the torque.
  earlySoftening: [0, 60],
  turboOnRate: [3, 24],
  turboOffRate: [3, 24],
  cutoff: [3.0, 3.4],
  forwardPower: [25, 100],
  reversePower: [25, 100],
};

/**
 * The assumed size of one level among several, evenly spread from low to high in the vocabulary.
 * @param rank from 0, the lowest
 * @returns undefined where not even a guess makes sense: volts of a BEC, limits of temperature
 */
export function assumedLevel(setting: SettingId, rank: number, count: number): number | undefined {
  const { unit } = VOCABULARY[setting];
  const range =
    LEVEL_RANGE[setting] ?? (unit === '%' && !isNamed(VOCABULARY[setting]) ? [0, 100] : undefined);
  if (!range) return undefined;
  const share = count > 1 ? rank / (count - 1) : 0.5;
  return Number((range[0] + share * (range[1] - range[0])).toFixed(2));
}
