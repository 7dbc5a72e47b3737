import { expect, it } from 'vitest';
import { numberBoxPattern } from '../../archetypes/cars';
import { numbersOf } from '../../esc/numberField';
import { factoryStops, itemById } from '../../esc/profile';
import { factoryMemory } from '../../device/simulatedEsc';
import { legsFor, planLegs } from '../../plan/loadPlan';
import { found } from '../../plan/found.fixture';
import { escMachine } from '../../procedure/escMachine';
import { initialConfig, step } from '../../procedure/step';
import { rangeOf } from '../../radio/pulse';
import { defaultRig } from '../../rig/defaults';
import { usualGoals } from '../goals';
import { verdictsOn } from './verdictsOn';

const profile = numberBoxPattern;
const machine = escMachine(profile);
const rig = defaultRig('tenthBuggy');
const range = rangeOf(rig.channel);
const cutoff = itemById(profile, 'empty-at');
const own = (label: string): string => numbersOf(cutoff).find((stop) => stop.label === `Own ${label} V`)!.id;
const hazards = (stops: Readonly<Record<string, string>>) =>
  verdictsOn({ rig, profile, stops, range, rules: undefined, goals: usualGoals(rig.vehicleClass) }).filter(
    ({ grade, id }) => grade === 'hazard' && /cutoff/i.test(id),
  );

it('a number for the pack that was saved half-way protects nothing: that is told, and what ends it is offered', () => {
  const start = initialConfig(machine, { ...factoryMemory(profile), range }, range.neutralMicros);
  const change = { itemId: cutoff.id, fromStopId: cutoff.factoryStopId, toStopId: own('9.6') };
  const [leg] = found(planLegs(machine, start, legsFor([change], false), range, 'textBox')).legs;
  const run = leg!.inputs.findIndex((input) => input.type === 'elapsed' && input.ms === 120);
  const slipped = [
    ...leg!.inputs.slice(0, run + 10),
    { type: 'up', key: 'value' } as const,
    { type: 'down', key: 'ok' } as const,
    { type: 'up', key: 'ok' } as const,
  ];
  const { stops } = slipped.reduce((config, input) => step(machine, config, input).config, start).memory;
  expect(stops['empty-at']).toBe(own('5.4'));
  const [told] = hazards(stops);
  expect(told!.remedies.length).toBeGreaterThan(0);
  for (const remedy of told!.remedies)
    if (remedy.kind === 'move') expect(hazards({ ...stops, [remedy.itemId]: remedy.stopId })).toEqual([]);
  expect(hazards(factoryStops(profile))).toEqual([]);
});
