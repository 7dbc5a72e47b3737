import { expect, it } from 'vitest';
import { archetypeFor } from '../archetypes/archetypes';
import { everyItem, stirred } from '../archetypes/fortyItems.fixture';
import { factoryStops, itemById, stopById, type StopByItem } from '../esc/profile';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { busLoad } from '../rig/busLoads';
import type { Rig } from '../rig/rig';
import { VEHICLE_CLASSES, type VehicleClass } from '../rig/vehicleClass';
import { adviceOn } from './advise';
import { usualGoals, type Goals } from './goals';
import { inactiveReason } from './inactive';
import { previewOf } from './preview';
import { verdictsOn } from './verdicts/verdictsOn';
import type { Situation } from './verdicts/verdict';
import { waysOf } from './ways';

/** A rig that nobody should drive like this. */
function troubled(vehicleClass: VehicleClass): Rig {
  const rig = structuredClone(defaultRig(vehicleClass));
  rig.channel.forwardEndPointPercent = 80;
  rig.channel.brakeEndPointPercent = 70;
  rig.busLoads = [busLoad('giant'), { ...busLoad('other'), name: 'lamp', maxVolts: 5.5 }];
  rig.pack.chemistry = 'lihv';
  rig.motor.sensored = !rig.motor.sensored;
  rig.motorCount = 2;
  return rig;
}

function verdictLines(situation: Situation): string[] {
  return verdictsOn(situation).map(({ grade, id, title, sentence, remedies }) =>
    [grade, id, title, sentence, ...remedies.map(({ label }) => `[${label}]`)].join(' | '),
  );
}

function adviceLines({ rig, profile, goals, rules }: Situation): string[] {
  return Object.entries(adviceOn({ rig, goals, rules }, profile)).map(([itemId, found]) => {
    const item = itemById(profile, itemId);
    const labels = found.stopIds.map((id) => stopById(item, id).label);
    const over = found.over.map(({ priority, stopId }) => `${priority} said ${stopById(item, stopId).label}`);
    const [first, last] = [labels[0]!, labels.at(-1)!];
    const told = `advice ${item.setting}: ${first} to ${last}, take ${stopById(item, found.stopId).label}`;
    return [told, found.priority, found.reason, ...over].join(' | ');
  });
}

const wayLines = (situation: Situation, believed: StopByItem): string[] =>
  waysOf({ ...situation, believed, factory: factoryStops(situation.profile) }).map(
    ({ question, sides, usual }) =>
      [question, ...sides.map(({ name, here }) => `${name}: ${here}`), usual].join(' | '),
  );

const inactiveLines = ({ rig, profile, stops }: Situation): string[] =>
  profile.items.flatMap((item) => {
    const why = inactiveReason(rig, profile, stops, item);
    return why === undefined ? [] : [`${item.setting} | ${why}`];
  });

function previewLines(situation: Situation): string[] {
  const { profile, stops } = situation;
  return profile.items.slice(0, 6).map((item) => {
    const moves = { [item.id]: item.stops.find(({ id }) => id !== stops[item.id])!.id };
    const { drill, changed, raised } = previewOf(situation, item.setting, moves);
    const numbers = changed.map(
      ({ before, after }) => `${before.value?.toFixed(2)}→${after.value?.toFixed(2)}`,
    );
    return [`preview ${item.setting} by ${drill}`, numbers.join(' '), ...raised.map(({ id }) => id)].join(
      ' | ',
    );
  });
}

function linesOf(vehicleClass: VehicleClass): string[] {
  const all = everyItem();
  const { profile } = archetypeFor(vehicleClass);
  const rig = defaultRig(vehicleClass);
  const rules = { name: 'Spec', noAdvance: true, noReverse: true, mostCells: 2, note: '' };
  const goals = (change: Partial<Goals>) => ({ ...usualGoals(vehicleClass), ...change });
  const range = rangeOf(rig.channel);
  const plain = { rig, range, rules: undefined, goals: goals({}) };
  const bad = troubled(vehicleClass);
  const situations: Situation[] = [
    { ...plain, profile, stops: factoryStops(profile) },
    { ...plain, profile: all, stops: stirred(all, 0) },
    {
      ...plain,
      profile: all,
      stops: stirred(all, 1),
      goals: goals({ surface: 'loose', purpose: 'practice' }),
    },
    { ...plain, rig: bad, profile: all, stops: stirred(all, 0.35), range: rangeOf(bad.channel) },
    { ...plain, rig: bad, profile: all, stops: stirred(all, 0.65), rules, goals: goals({ purpose: 'race' }) },
  ];
  return [
    ...situations.flatMap((situation) => [
      ...verdictLines(situation),
      ...adviceLines(situation),
      ...inactiveLines(situation),
    ]),
    ...wayLines(situations[0]!, stirred(profile, 1)),
    ...wayLines(situations[3]!, stirred(all, 1)),
    ...(['eighthBuggy', 'glider'].includes(vehicleClass) ? previewLines(situations[1]!) : []),
  ];
}

/**
 * No proof that a sentence is right: those stand in the other tests. Here all are together, as they are said, to be read
 * aloud; and a change shows in one diff what it does to them. What was meant is taken over with `npx vitest run said -u`.
 */
it('nothing is advised, warned of or told otherwise without being meant to', async () => {
  const classes = Object.keys(VEHICLE_CLASSES) as VehicleClass[];
  const said = new Set<string>();
  const lines = classes.flatMap((vehicleClass) => {
    const fresh = linesOf(vehicleClass).filter((line) => !said.has(line));
    fresh.forEach((line) => said.add(line));
    return ['', VEHICLE_CLASSES[vehicleClass], ...new Set(fresh)];
  });
  await expect(`${lines.join('\n').trim()}\n`).toMatchFileSnapshot('said.txt');
});
