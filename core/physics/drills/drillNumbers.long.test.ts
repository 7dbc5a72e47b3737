import { expect, it } from 'vitest';
import { archetypeFor } from '../../archetypes/archetypes';
import { everyItem, stirred } from '../../archetypes/fortyItems.fixture';
import { factoryStops, type EscProfile, type StopByItem } from '../../esc/profile';
import { rangeOf } from '../../radio/pulse';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import { VEHICLE_CLASSES, type VehicleClass } from '../../rig/vehicleClass';
import { escBehaviour } from '../escChain';
import { DRILLS, runDrill, type DrillId } from './runDrill';

/** A few of each kind: slow, fast, heavy; with and without gears; in air and water. */
const STIRRED: readonly VehicleClass[] = [
  'crawler',
  'eighthBuggy',
  'sprint',
  'glider',
  'helicopter',
  'fastBoat',
];

function linesOf(vehicleClass: VehicleClass, name: string, profile: EscProfile, stops: StopByItem): string[] {
  const rig = defaultRig(vehicleClass);
  const esc = escBehaviour(profile, stops, rig.channel, rangeOf(rig.channel), rig.pack.cells);
  const resolved = resolveRig(rig, profile);
  return (Object.keys(DRILLS[rig.vehicle.kind]) as DrillId[]).flatMap((drill) => {
    const { numbers, points } = runDrill(drill, resolved, esc);
    return [
      ...numbers.map(({ id, value, unit }) => [id, value === undefined ? 'never' : shown(value), unit]),
      ...tracePlaces(points).map(({ x, y }, n) => [`trace ${n + 1}`, `${shown(x)} ${shown(y)}`, '']),
    ].map((cells) => [vehicleClass, name, drill, ...cells].join(','));
  });
}

/** A third and two thirds along a trace. */
const tracePlaces = <Point>(points: readonly Point[]): Point[] =>
  points.length < 3
    ? []
    : [points[Math.floor(points.length / 3)]!, points[Math.floor((2 * points.length) / 3)]!];

/** An ESC whose BEC burns what it does not pass on, and which stops when it is a little warm. */
const warm = (profile: EscProfile): EscProfile => ({
  ...profile,
  limits: { ...profile.limits, becKind: 'linear', temperatureLimitC: 28 },
});

/** Four digits, so that another machine's last bits do not matter. */
const shown = (value: number): string => String(Math.abs(value) < 1e-6 ? 0 : Number(value.toPrecision(4)));

/**
 * No proof that a number is right: those stand in the other tests. It shows in one diff what a change to the model does to
 * every number of every kind of model; a change that was meant is taken over with `npx vitest run drillNumbers -u`.
 */
it('no number of any drill moves without being meant to', async () => {
  const all = everyItem();
  const classes = Object.keys(VEHICLE_CLASSES) as VehicleClass[];
  const lines = classes.flatMap((vehicleClass) => {
    const { profile } = archetypeFor(vehicleClass);
    const factory = [
      ...linesOf(vehicleClass, 'factory', profile, factoryStops(profile)),
      ...linesOf(vehicleClass, 'warm', warm(profile), factoryStops(profile)),
    ];
    if (!STIRRED.includes(vehicleClass)) return factory;
    return [
      ...factory,
      ...linesOf(vehicleClass, 'a third up', all, stirred(all, 0.35)),
      ...linesOf(vehicleClass, 'two thirds up', all, stirred(all, 0.65)),
    ];
  });
  await expect(['class,esc,drill,number,value,unit', ...lines, ''].join('\n')).toMatchFileSnapshot(
    'drillNumbers.csv',
  );
});
