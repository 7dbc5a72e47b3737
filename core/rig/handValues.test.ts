import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { defaultRig } from './defaults';
import type { Rig } from './rig';
import {
  changedSince,
  readHandValues,
  HAND_VALUE_KEYS,
  HAND_VALUES,
  handChangesOf,
  handValuesOf,
  handChangeTitle,
  withHandValues,
  type HandValues,
} from './handValues';
import { VEHICLE_CLASSES, type VehicleClass } from './vehicleClass';

const buggy: Rig = (() => {
  const rig = defaultRig('tenthBuggy');
  if (rig.vehicle.kind !== 'wheels') throw new Error('a buggy has wheels');
  const gearing = { spurTeeth: 58, pinionTeeth: 20, internalRatio: 43 / 13 };
  return { ...rig, vehicle: { ...rig.vehicle, gearing } };
})();

const finalDrive = ({ vehicle }: Rig): number =>
  vehicle.kind === 'wheels' ? vehicle.finalDrive.value : Number.NaN;

const anyHandValues: fc.Arbitrary<HandValues> = fc.record(
  Object.fromEntries(
    HAND_VALUE_KEYS.map((key) => [
      key,
      fc
        .double({ min: HAND_VALUES[key].least, max: HAND_VALUES[key].most, noNaN: true })
        .map((value) => Number(value.toFixed(HAND_VALUES[key].decimals))),
    ]),
  ),
  { requiredKeys: [] },
);
const anyRig = fc
  .constantFrom(...(Object.keys(VEHICLE_CLASSES) as VehicleClass[]))
  .map((vehicleClass) => defaultRig(vehicleClass));

describe('hand values on a rig', () => {
  it('a smaller pinion is a longer final drive, by the ratio of the teeth', () => {
    // Common practice: spur ÷ pinion × internal ratio.
    expect(finalDrive(withHandValues(buggy, { pinionTeeth: 20 }))).toBe(finalDrive(buggy));
    expect(finalDrive(withHandValues(buggy, { pinionTeeth: 16 }))).toBeCloseTo((58 / 16) * (43 / 13), 9);
  });

  it('is on it afterwards, as far as it has a place for it, and nothing is left to do', () => {
    fc.assert(
      fc.property(anyRig, anyHandValues, (rig, byHand) => {
        const next = withHandValues(rig, byHand);
        expect(handChangesOf(next, byHand)).toEqual([]);
        for (const { key, to } of handChangesOf(rig, byHand)) expect(handValuesOf(next)[key]).toBe(to);
      }),
      { numRuns: 60 },
    );
  });

  it('changed and changed back, the rig is as it was', () => {
    fc.assert(
      fc.property(anyRig, anyHandValues, (rig, byHand) => {
        const back = withHandValues(withHandValues(rig, byHand), handValuesOf(rig));
        expect(handValuesOf(back)).toEqual(handValuesOf(rig));
        expect(back.motor).toEqual(rig.motor);
      }),
      { numRuns: 60 },
    );
  });

  it('leaves the very same rig where nothing differs: what was computed for it stays', () => {
    expect(withHandValues(buggy, {})).toBe(buggy);
    expect(withHandValues(buggy, handValuesOf(buggy))).toBe(buggy);
  });

  it('has no pinion where nobody counted teeth or nothing has wheels, and no brake end where a stick rests low', () => {
    const uncounted = defaultRig('tenthBuggy');
    const aeroplane = defaultRig('sportPlane');
    expect(
      handValuesOf({ ...uncounted, vehicle: { ...uncounted.vehicle, gearing: null } as Rig['vehicle'] }),
    ).not.toHaveProperty('pinionTeeth');
    expect(Object.keys(handValuesOf(aeroplane))).toEqual([
      'propellerDiameterInches',
      'propellerPitchInches',
      'packCells',
      'packCapacityMah',
      'forwardEndPointPercent',
    ]);
    expect(handChangesOf(aeroplane, { pinionTeeth: 15, brakeEndPointPercent: 80 })).toEqual([]);
  });

  it('names what changes with its unit, the model before its radio', () => {
    const wanted = { forwardEndPointPercent: 90, pinionTeeth: 16 };
    expect(handChangesOf(buggy, wanted).map(handChangeTitle)).toEqual([
      'Pinion: 20 → 16\u00a0teeth',
      'Radio end point, throttle: 100 → 90\u00a0%',
    ]);
  });
});

describe('between two sheets', () => {
  it('is changed what was written down before and is another now', () => {
    expect(changedSince({ pinionTeeth: 20, packCells: 2 }, { pinionTeeth: 18, packCells: 2 })).toEqual([
      'pinionTeeth',
    ]);
    expect(changedSince({ pinionTeeth: 20 }, {})).toEqual(['pinionTeeth']);
  });

  it('nothing is changed since a sheet that did not say it', () => {
    expect(changedSince({}, { pinionTeeth: 18 })).toEqual([]);
  });
});

describe('hand values from outside', () => {
  it('is taken where every number is whole, known and within its bounds', () => {
    expect(readHandValues({})).toEqual({});
    expect(readHandValues({ pinionTeeth: 15, packCells: 3 })).toEqual({ pinionTeeth: 15, packCells: 3 });
  });

  it.each([
    [undefined],
    [null],
    [[]],
    ['15'],
    [{ pinionTeeth: '15' }],
    [{ pinionTeeth: 15.5 }],
    [{ pinionTeeth: 0 }],
    [{ packCells: 21 }],
    [{ forwardEndPointPercent: Number.NaN }],
    [{ wingspan: 3 }],
    [{ toString: 3 }],
  ])('is refused whole where it is %j', (sent) => {
    expect(readHandValues(sent)).toBeUndefined();
  });
});
