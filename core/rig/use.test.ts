import { describe, expect, it } from 'vitest';
import { lapSeconds } from '../physics/lap';
import { readUse } from './readUse';
import { chargesFor, knownLap, LAPS, lapsFor, usualUse, type LapId } from './use';
import { kindOf, VEHICLE_CLASSES, type VehicleClass } from './vehicleClass';

const classes = Object.keys(VEHICLE_CLASSES) as VehicleClass[];

describe('the laps', () => {
  it.each(classes)('a %s has a usual one of its own kind, and reads back as it was sent', (vehicleClass) => {
    const use = usualUse(vehicleClass);
    expect(LAPS[use.lapId].kind).toBe(kindOf(vehicleClass));
    expect(lapsFor(vehicleClass)).toContain(use.lapId);
    expect(readUse(JSON.parse(JSON.stringify(use)))).toEqual(use);
  });

  it('take some seconds to some minutes', () => {
    for (const id of Object.keys(LAPS) as LapId[]) {
      expect(lapSeconds(knownLap(id))).toBeGreaterThan(5);
      expect(lapSeconds(knownLap(id))).toBeLessThan(150);
    }
  });
});

describe('a use that a page sends', () => {
  const use = usualUse('tenthBuggy');
  const withPiece = (piece: object) => ({ ...use, lap: { ...use.lap, pieces: [piece] } });
  it.each<[string, unknown]>([
    ['nothing', undefined],
    ['an unknown lap', { ...use, lapId: 'moon' }],
    ['no pieces', { ...use, lap: { ...use.lap, pieces: [] } }],
    ['a lap that is driven three times as hard', { ...use, lap: { ...use.lap, howHardPercent: 300 } }],
    ['an unknown piece', withPiece({ kind: 'jump', triggerPercent: 50, seconds: 1 })],
    ['a trigger beyond its end', withPiece({ kind: 'straight', triggerPercent: 101, seconds: 1 })],
    ['no time', withPiece({ kind: 'straight', triggerPercent: 50, seconds: 0 })],
    ['a number that is none', withPiece({ kind: 'straight', triggerPercent: NaN, seconds: 1 })],
    ['a race of a day', { ...use, raceMinutes: 1440 }],
    ['a voltage that no cell is charged to', { ...use, chargedVoltsPerCell: 4.5 }],
  ])('is refused with %s', (_, sent) => {
    expect(readUse(sent)).toBeUndefined();
  });
});

it('no cells are offered more volts than they are made for', () => {
  expect(chargesFor('lipo')).toEqual([4.1, 4.18, 4.2]);
  expect(chargesFor('lihv')).toEqual([4.1, 4.18, 4.2, 4.35]);
  for (const chemistry of ['life', 'nimh'] as const) expect(chargesFor(chemistry)).toHaveLength(1);
});
