import { describe, expect, it } from 'vitest';
import { defaultRig } from '../rig/defaults';
import type { Rig } from '../rig/rig';
import type { VehicleClass } from '../rig/vehicleClass';
import { usualGoals } from './goals';
import { applies, type Case, type When } from './rule';

function caseOf(
  vehicleClass: VehicleClass,
  change: (rig: Rig) => void = () => undefined,
  rest: Partial<Case> = {},
): Case {
  const rig = structuredClone(defaultRig(vehicleClass));
  change(rig);
  return { rig, goals: usualGoals(vehicleClass), rules: undefined, ...rest };
}

const packOf = (cells: number, capacityAh: number) => (rig: Rig) => {
  rig.pack.cells = cells;
  rig.pack.capacityAh.value = capacityAh;
};
const pairs = (count: number) => (rig: Rig) => {
  rig.motor.polePairs.value = count;
};
const motors = (count: number) => (rig: Rig) => {
  rig.motorCount = count;
};
const event = (forbids: 'noAdvance' | 'noReverse'): Partial<Case> => ({
  rules: { name: 'Spec', noAdvance: false, noReverse: false, mostCells: null, note: '', [forbids]: true },
});

/** Each condition with a case in which it just holds, and one in which it just does not. */
const TABLE: readonly (readonly [what: string, when: When, holds: Case, holdsNot: Case])[] = [
  ['a class', { classes: ['crawler'] }, caseOf('crawler'), caseOf('trailTruck')],
  [
    'cells of a small pack',
    { smallPack: true },
    caseOf('crawler', packOf(3, 2.5)),
    caseOf('crawler', packOf(4, 2.5)),
  ],
  [
    'capacity of a small pack',
    { smallPack: true },
    caseOf('crawler', packOf(3, 2.5)),
    caseOf('crawler', packOf(3, 2.6)),
  ],
  ['a big pack', { smallPack: false }, caseOf('crawler', packOf(4, 2)), caseOf('crawler', packOf(3, 2))],
  ['many poles', { poles: 'many' }, caseOf('sportPlane', pairs(5)), caseOf('sportPlane', pairs(4))],
  ['several motors', { severalMotors: true }, caseOf('twinPlane', motors(2)), caseOf('twinPlane', motors(1))],
  ['one motor', { severalMotors: false }, caseOf('twinPlane', motors(1)), caseOf('twinPlane', motors(2))],
  ['folding blades', { folding: true }, caseOf('glider'), caseOf('sportPlane')],
  ['the ground', { fluid: 'ground' }, caseOf('basher'), caseOf('fastBoat')],
  ['the water', { fluid: 'water' }, caseOf('fastBoat'), caseOf('sportPlane')],
  [
    'an event without advance',
    { eventForbids: 'advance' },
    caseOf('basher', undefined, event('noAdvance')),
    caseOf('basher', undefined, event('noReverse')),
  ],
  [
    'an event without reverse',
    { eventForbids: 'reverse' },
    caseOf('basher', undefined, event('noReverse')),
    caseOf('basher'),
  ],
  [
    'all of it',
    { classes: ['crawler'], smallPack: true },
    caseOf('crawler', packOf(3, 2)),
    caseOf('trailTruck', packOf(3, 2)),
  ],
];

describe('when a rule speaks', () => {
  it.each(TABLE)('%s', (_what, when, holds, holdsNot) => {
    expect([applies(when, holds), applies(when, holdsNot)]).toEqual([true, false]);
  });
});
