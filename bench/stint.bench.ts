/** What a stint takes on each kind of model, and how far it is off a converged run. */
import { archetypeFor } from '#core/archetypes/archetypes';
import { factoryStops } from '#core/esc/profile';
import { runDrill } from '#core/physics/drills/runDrill';
import { escBehaviour } from '#core/physics/escChain';
import { rangeOf } from '#core/radio/pulse';
import { defaultRig } from '#core/rig/defaults';
import { resolveRig } from '#core/rig/resolve';
import type { VehicleClass } from '#core/rig/vehicleClass';
import { profileOf, rigOf } from './demoFiles';

const RUNS = 30;
const CONVERGED = 3e-8;

const rigs = [
  { name: 'the demo’s buggy', rig: rigOf('kelp-beach-buggy'), profile: profileOf('tamsel-r60') },
  ...(['crawler', 'eighthBuggy', 'basher', 'sportPlane', 'helicopter'] satisfies VehicleClass[]).map(
    (name) => ({ name, rig: defaultRig(name), profile: archetypeFor(name).profile }),
  ),
];

for (const { name, rig, profile } of rigs) {
  const resolved = resolveRig(rig, profile);
  const esc = escBehaviour(profile, factoryStops(profile), rig.channel, rangeOf(rig.channel), rig.pack.cells);
  // Measured before the converged run, which would train the compiler for itself.
  const times = Array.from({ length: RUNS }, () => {
    const started = performance.now();
    runDrill('stint', resolved, esc);
    return performance.now() - started;
  }).toSorted((a, b) => a - b);
  const { numbers } = runDrill('stint', resolved, esc);
  const converged = runDrill('stint', { ...resolved, accuracy: CONVERGED }, esc).numbers;
  const worst = Math.max(
    ...numbers.map(({ id, value = 0, decimals }, place) => {
      const exact = converged[place]!.value ?? 0;
      // A difference in per cent counts against the whole.
      const size = id === 'firstMinute' ? 100 : Math.max(Math.abs(exact), 10 ** -decimals);
      return Math.abs(value - exact) / size;
    }),
  );
  console.log(
    JSON.stringify({
      stint: name,
      minutes: Number(numbers[0]!.value!.toFixed(1)),
      leastMs: Number(times[0]!.toFixed(2)),
      medianMs: Number(times[RUNS / 2]!.toFixed(2)),
      worstOffPercent: Number((100 * worst).toFixed(3)),
    }),
  );
}
