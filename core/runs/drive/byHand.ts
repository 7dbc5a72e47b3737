/** What a hand reads of a drive: a thermometer, the charger, the least volts and the most rpm that the ESC shows. */
import { normalNumbers, seededNumbers } from '../../units/seeded';
import type { Reading } from '../readings';
import type { Drive } from './drive';

/** An ESC shows volts smoothed over this time, s. */
const SEEN_OVER_S = 0.4;
/** How far off a hand is: K; shares of rpm and charge. From memory. */
const THERMOMETER = 1.5;
const COUNTED = 0.003;
const CHARGER = 0.02;

/** @param seed the same seed reads the same */
export function readByHand({ along, servoAmps }: Drive, seed: number): Reading[] {
  const random = seededNumbers(seed * 31 + 7);
  for (let n = 0; n < 20; n += 1) random();
  const normal = normalNumbers(random);
  const most = (values: Float32Array): number => values.reduce((so, value) => Math.max(so, value), 0);
  const servoMah = (servoAmps * along.rpm.length * along.everyS) / 3.6;
  const by = (from: Reading['from'], kind: Reading['kind'], value: number): Reading => ({
    kind,
    value,
    from,
  });
  return [
    by('hand', 'canCelsius', Math.round(most(along.canCelsius) + THERMOMETER * normal())),
    by('hand', 'escCelsius', Math.round(most(along.escCelsius) + THERMOMETER * normal())),
    by('esc', 'lowestVolts', Number(leastSeen(along.packVolts, along.everyS).toFixed(2))),
    by('esc', 'topRpm', Math.round((most(along.rpm) * (1 + COUNTED * normal())) / 100) * 100),
    by(
      'hand',
      'putBackMah',
      Math.round(((most(along.usedMah) + servoMah) * (1 + CHARGER * normal())) / 5) * 5,
    ),
  ];
}

function leastSeen(volts: Float32Array, everyS: number): number {
  let seen = volts[0]!;
  return volts.reduce((least, value) => {
    seen += (value - seen) * Math.min(1, everyS / SEEN_OVER_S);
    return Math.min(least, seen);
  }, seen);
}
