/**
 * The stint three ways: our own solver, plain C with a fixed step of 1 ms, and a general ODE library in one call with its
 * step limited until every number is within 0.1 %. Prints times, distances from a converged run, and ratios.
 */
import { factoryStops } from '#core/esc/profile';
import { LAPS, lapParts } from '#core/physics/drills/stint';
import { runDrill } from '#core/physics/drills/runDrill';
import { escBehaviour } from '#core/physics/escChain';
import { brakeStrengthOf, dutyOf } from '#core/physics/triggerChain';
import { openCircuitVolts } from '#core/physics/pack';
import { coarsely, bridgeSettingOf } from '#core/physics/bridge';
import type { RunPart } from '#core/physics/powerTrain';
import { AT, Car, startState } from '#core/physics/car';
import { resolveRig } from '#core/rig/resolve';
import { rangeOf } from '#core/radio/pulse';
import { execFileSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { profileOf, rigOf } from './demoFiles';
import type { ResolvedWheels } from '#core/physics/resolved';

const { Solver } = createRequire(import.meta.url)('odex') as {
  Solver: new (size: number) => {
    absoluteTolerance: number;
    relativeTolerance: number;
    maxStepSize: number;
    maxSteps: number;
    solve: (f: (t: number, y: number[]) => number[], t0: number, y0: number[], t1: number) => { y: number[] };
  };
};

const RUNS = 30;
const LONGEST_S = 600;
const rig = rigOf('kelp-beach-buggy');
const profile = profileOf('tamsel-r60');
const resolved = resolveRig(rig, profile) as ResolvedWheels;
const esc = escBehaviour(profile, factoryStops(profile), rig.channel, rangeOf(rig.channel), rig.pack.cells);
const setup = bridgeSettingOf(resolved, esc);

interface Result {
  usedMah: number;
  winding: number;
  esc: number;
}

const ours = (accuracy: number): Result => {
  const numbers = Object.fromEntries(
    runDrill('stint', { ...resolved, accuracy }, esc).numbers.map(({ id, value }) => [id, value ?? NaN]),
  );
  return { usedMah: numbers.used!, winding: numbers.winding!, esc: numbers.esc! };
};

/** The same numbers for the C program, in the order in which it reads them. */
function inputOfC(): string {
  const { motor, thermal } = resolved;
  const cars = [
    motor.constant,
    motor.resistance,
    motor.inductance,
    motor.noLoadCurrent,
    motor.polePairs,
    motor.rotorInertia,
    motor.bridgeResistance,
    motor.switchingTime,
    resolved.cells,
    resolved.packOhm,
    resolved.leadOhm,
    resolved.capacityAh,
    resolved.startCharge,
    resolved.massKg,
    resolved.wheelRadiusM,
    resolved.finalDrive,
    resolved.drivenWeightShare,
    resolved.grip,
    resolved.rollingResistance,
    resolved.dragAreaM2,
    resolved.wheelInertiaKgM2,
    resolved.drivelineEfficiency,
    resolved.corneringShare,
    thermal.windingJPerK,
    thermal.caseJPerK,
    thermal.escJPerK,
    thermal.windingToCase,
    thermal.caseMoving,
    resolved.fan ? thermal.escFan : thermal.escStill,
    esc.driveFrequencyHz,
    esc.brakeFrequencyHz,
    setup.advance(0, 1, 0),
    esc.rampPerSecond,
    resolved.ambientC,
    resolved.packThermal.joulesPerK,
    resolved.packThermal.toAir,
    setup.ownWatts,
  ];
  const table = Array.from({ length: 21 }, (_, n) => openCircuitVolts(resolved.chemistry, n / 20));
  const pieces = LAPS.race.map(({ trigger, seconds }) =>
    trigger > 0
      ? `0 ${dutyOf(esc, trigger * esc.forwardSignal)} ${seconds}`
      : `1 ${trigger < 0 ? brakeStrengthOf(esc, -trigger * esc.brakeSignal) : esc.dragBrake} ${seconds}`,
  );
  return [...cars, ...table, pieces.length, ...pieces].join('\n');
}

function inC(): Result & { ms: number } {
  execFileSync('gcc', ['-O2', '-march=native', '-o', '.cache/bench/stint', 'bench/stint.c', '-lm']);
  return JSON.parse(execFileSync('.cache/bench/stint', { input: inputOfC(), encoding: 'utf8' })) as Result & {
    ms: number;
  };
}

/** One call of a general library: the right side looks up the part and the mode by itself. */
function byLibrary(maxStepSize: number): Result & { ms: number } {
  const parts: { part: RunPart; startS: number }[] = [];
  let total = 0;
  for (const part of lapParts(esc, LAPS.race, true, LONGEST_S)) {
    parts.push({ part, startS: total });
    total += part.lengthS;
  }
  const car = new Car(coarsely(resolved), setup, true);
  const y = new Float64Array(startState(resolved, 0).length);
  const out = new Float64Array(y.length);
  let place = 0;
  const rates = (t: number, at: number[]): number[] => {
    while (place > 0 && parts[place]!.startS > t) place -= 1;
    while (place < parts.length - 1 && parts[place + 1]!.startS <= t) place += 1;
    const { part, startS } = parts[place]!;
    y.set(at);
    y[AT.speed] = Math.max(0, y[AT.speed]!);
    car.begin(part, startS);
    car.chooseMode(t, y);
    car.derivative(t, y, out);
    return Array.from(out);
  };
  const solver = new Solver(y.length);
  solver.absoluteTolerance = 1e-6;
  solver.relativeTolerance = 1e-6;
  solver.maxStepSize = maxStepSize;
  solver.maxSteps = 1e8;
  const started = performance.now();
  const end = solver.solve(rates, 0, Array.from(startState(resolved, 0)), LONGEST_S).y;
  return {
    ms: performance.now() - started,
    usedMah: end[AT.drawn]! / 3.6,
    winding: end[AT.winding]!,
    esc: end[AT.esc]!,
  };
}

// Measured as the page runs it, and before anything else: a converged run would train the compiler for itself. The least
// disturbed run counts, as for the others: neighbours on the machine halve the speed for seconds at a time.
const times = Array.from({ length: RUNS }, () => {
  const started = performance.now();
  runDrill('stint', resolved, esc);
  return performance.now() - started;
});
times.sort((a, b) => a - b);
const oursMs = times[0]!;

const converged = ours(3e-8);
const worst = (result: Result): number =>
  Math.max(...(['usedMah', 'winding', 'esc'] as const).map((id) => Math.abs(result[id] / converged[id] - 1)));
const line = (way: string, ms: number, result: Result): void =>
  console.log(
    JSON.stringify({
      way,
      ms: Number(ms.toFixed(2)),
      worstOffPercent: Number((100 * worst(result)).toFixed(3)),
    }),
  );

line('ours, adaptive with events', oursMs, ours(resolved.accuracy));
const c = inC();
line('plain C, fixed 1 ms', c.ms, c);
let library = byLibrary(0.01);
for (const step of [0.005, 0.002, 0.001]) if (worst(library) > 0.001) library = byLibrary(step);
line('odex in one call, step limited', library.ms, library);
console.log(
  JSON.stringify({
    timesFasterThanC: Number((c.ms / oursMs).toFixed(2)),
    timesFasterThanLibrary: Number((library.ms / oursMs).toFixed(1)),
  }),
);
