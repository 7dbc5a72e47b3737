/** How long traces, bands and plans take. Prints one line of JSON a scenario; each checks what it computed. */
import fc from 'fast-check';
import { found } from '#core/plan/found.fixture';
import { factoryStops, handMediumOf, itemById } from '#core/esc/profile';
import { MEDIA } from '#core/esc/media';
import { factoryMemory } from '#core/device/simulatedEsc';
import { alternativesTo, bandOf } from '#core/physics/drills/band';
import { DRILLS, runDrill, type DrillId } from '#core/physics/drills/runDrill';
import { escBehaviour } from '#core/physics/escChain';
import { whatMatters } from '#core/sensitivity/matters';
import { ARCHETYPES } from '#core/archetypes/archetypes';
import { menuOf } from '#core/archetypes/menuOf.fixture';
import type { Change } from '#core/sheet/draft';
import { anyBench } from '#core/plan/anyBench.fixture';
import { legsFor, planLegs, planRestart } from '#core/plan/loadPlan';
import { isPlanned } from '#core/plan/search';
import { escMachine } from '#core/procedure/escMachine';
import { initialConfig } from '#core/procedure/step';
import { rangeOf } from '#core/radio/pulse';
import { resolveRig } from '#core/rig/resolve';
import { profileOf, rigOf } from './demoFiles';

const WARM_UP = 5;
const RUNS = 40;
/** A menu longer than any in use, and the changes of a whole re-tune. */
const LONG_MENU = 60;
const LONG_PLAN = 15;
const PLAN_RUNS = 300;

/** Median and spread of a scenario in ms, after a warm-up. @param run returns something that proves it ran */
function measure(name: string, run: () => number, runs = RUNS): void {
  const times: number[] = [];
  let proof = 0;
  for (let n = 0; n < WARM_UP + runs; n += 1) {
    const started = performance.now();
    proof = run();
    if (n >= WARM_UP) times.push(performance.now() - started);
  }
  if (!Number.isFinite(proof) || proof === 0) throw new Error(`${name} computed nothing: ${proof}`);
  times.sort((a, b) => a - b);
  const at = (share: number): number => Number(times[Math.floor(share * (times.length - 1))]!.toFixed(3));
  console.log(
    JSON.stringify({
      scenario: name,
      // In the moments in which nothing else has the processor.
      quietestMs: at(0),
      medianMs: at(0.5),
      p95Ms: at(0.95),
      proof: Number(proof.toFixed(4)),
    }),
  );
}

for (const [rigId, profileId] of [
  ['kelp-beach-buggy', 'tamsel-r60'],
  ['headland-trainer', 'sondry-a45'],
] as const) {
  const rig = rigOf(rigId);
  const profile = profileOf(profileId);
  const resolved = resolveRig(rig, profile);
  const behave = (stops: Readonly<Record<string, string>>) =>
    escBehaviour(profile, stops, rig.channel, rangeOf(rig.channel), rig.pack.cells);
  const stops = factoryStops(profile);
  for (const id of Object.keys(DRILLS[rig.vehicle.kind]) as DrillId[]) {
    measure(`trace: ${id}, ${rig.name}`, () => runDrill(id, resolved, behave(stops)).numbers[0]!.value ?? 0);
  }
}

{
  const rig = rigOf('kelp-beach-buggy');
  const profile = profileOf('tamsel-r60');
  const resolved = resolveRig(rig, profile);
  const stops = factoryStops(profile);
  const unknown = profile.items.map(({ id }) => itemById(profile, id));
  measure('band: brake, every value unknown', () => {
    const drills = [stops, ...alternativesTo(profile, stops, unknown)].map((set) =>
      runDrill(
        'brake',
        resolved,
        escBehaviour(profile, set, rig.channel, rangeOf(rig.channel), rig.pack.cells),
      ),
    );
    return bandOf(drills).numbers.stop!.high;
  });
}

{
  const rig = rigOf('kelp-beach-buggy');
  // Forty items: the buggy's own, over and over, as a large ESC has them.
  const own = profileOf('tamsel-r60');
  const items = Array.from({ length: 40 }, (_, n) => ({
    ...own.items[n % own.items.length]!,
    id: `item-${n}`,
  }));
  const profile = { ...own, items: items.map((item) => ({ ...item, factoryStopId: item.stops[0]!.id })) };
  const range = rangeOf(rig.channel);
  measure(
    'what matters: every stop of 40 items',
    () => {
      const going = whatMatters({ rig, profile, stops: factoryStops(profile), range });
      for (;;) {
        const step = going.next();
        if (step.done) return step.value.length;
      }
    },
    3,
  );
}

for (const [rigId, profileId] of [
  ['kelp-beach-buggy', 'tamsel-r60'],
  ['cliff-path-crawler', 'brackel-t40'],
  ['headland-trainer', 'sondry-a45'],
] as const) {
  const rig = rigOf(rigId);
  const profile = profileOf(profileId);
  const medium = handMediumOf(profile)!;
  const machine = escMachine(profile);
  const stick = rangeOf(rig.channel);
  const start = initialConfig(machine, { ...factoryMemory(profile), range: stick }, stick.neutralMicros);
  const changes = profile.items.map((item) => ({
    itemId: item.id,
    fromStopId: item.factoryStopId,
    toStopId: item.stops.find(({ id }) => id !== item.factoryStopId)!.id,
  }));
  const legs = legsFor(changes, MEDIA[medium.family].showsStored);
  measure(
    `plan: all ${profile.items.length} items, ${medium.family}`,
    () => found(planLegs(machine, start, legs, stick, handMediumOf(profile)!.family)).seconds,
  );
}

/** A long menu of each medium, and a quarter of it to change, from its beginning to its end. */
for (const { profile: pattern } of ARCHETYPES) {
  const medium = handMediumOf(pattern);
  if (!medium) continue;
  const profile = menuOf(
    pattern,
    Array.from({ length: LONG_MENU }, (_, at) => 3 + (at % 4)),
  );
  const machine = escMachine(profile);
  const stick = profile.factoryRange;
  const start = initialConfig(machine, factoryMemory(profile), stick.neutralMicros);
  const changes = profile.items
    .filter((_, at) => at % (LONG_MENU / LONG_PLAN) === 1)
    .map((item): Change => ({
      itemId: item.id,
      fromStopId: item.factoryStopId,
      toStopId: item.stops[item.stops.length > 2 ? 2 : 1]!.id,
    }));
  const legs = legsFor(changes, MEDIA[medium.family].showsStored);
  measure(
    `plan: ${changes.length} of ${LONG_MENU} items, ${medium.family}`,
    () => found(planLegs(machine, start, legs, stick, handMediumOf(profile)!.family)).seconds,
    PLAN_RUNS,
  );
}

/** Whatever is described: the longest that any of these takes to be planned, or to be given up. */
const RANDOM_ESCS = 200;
let slowestMs = 0;
let gaveUp = 0;
for (const { profile, channel, range, by, changed } of fc.sample(anyBench, {
  numRuns: RANDOM_ESCS,
  seed: 2026,
})) {
  const machine = escMachine(profile);
  const stick = rangeOf(channel);
  const start = initialConfig(machine, { stops: factoryStops(profile), range }, stick.neutralMicros);
  const toStopId = changed.stops.find(({ id }) => id !== changed.factoryStopId)!.id;
  const change = { itemId: changed.id, fromStopId: changed.factoryStopId, toStopId };
  const began = performance.now();
  const load = planLegs(machine, start, legsFor([change], false), stick, by);
  planRestart(machine, isPlanned(load) ? load.end : start, stick, by);
  slowestMs = Math.max(slowestMs, performance.now() - began);
  if (!isPlanned(load)) gaveUp += 1;
}
console.log(
  JSON.stringify({
    scenario: `plan: the slowest of ${RANDOM_ESCS} random ESCs, ${gaveUp} without a way`,
    medianMs: slowestMs,
    p95Ms: slowestMs,
  }),
);
