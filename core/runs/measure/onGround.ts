/** Measurements of a car on the ground. */
import { gripLimit, resistance } from '../../physics/car';
import { runDrill } from '../../physics/drills/runDrill';
import type { ResolvedWheels } from '../../physics/resolved';
import { GRAVITY } from '../../units/convert';
import { cannotBe, field, line, type Measurement, type MeasureOn } from './measurement';

const KMH = 3.6;
const CLEAR = 'The stretch is clear of people, and I can stop it. Club rules and local law come first.';
const wheels = ({ resolved }: MeasureOn): ResolvedWheels => {
  if (resolved.kind !== 'wheels') throw new Error('only a car rolls');
  return resolved;
};
const told = ({ resolved, esc }: MeasureOn, drill: 'launch' | 'brake', id: string): number | undefined =>
  runDrill(drill, resolved, esc).numbers.find((one) => one.id === id)?.value;

/** m·g·sin φ = C_rr·m·g·cos φ for a car that just keeps rolling: C_rr = tan φ. Statics. */
export const rollingSlope: Measurement = {
  name: 'Rolling on a slope',
  only: 'wheels',
  settles: 'Rolling resistance: what it loses on your ground without the motor.',
  steps: [
    'Take the pinion out of mesh, so that only wheels and bearings turn.',
    'Find a long board or a driveway, with the ground that you drive on.',
    'Raise it until the model, pushed gently, keeps its speed: neither slower nor faster.',
    'Measure how far it rises over which length along the slope.',
  ],
  confirm: null,
  fields: [
    field('rise', 'It rises by', 'cm', [0.1, 300]),
    field('length', 'over a length of', 'cm', [10, 2000]),
  ],
  result: ([typed], on) => {
    const { rise, length } = typed as { rise: number; length: number };
    if (rise >= 0.7 * length)
      return cannotBe('rise', 'That is steeper than 45°. The length is the one along the slope.');
    const value = Math.tan(Math.asin(rise / length));
    return {
      ok: true,
      value: {
        lines: [line('Rolling resistance', value, wheels(on).rollingResistance, '', 3)],
        takes: { path: 'vehicle.rollingResistance', value },
        leavesOpen: 'It says nothing of the air.',
      },
    };
  },
};

/** v² = 2·a·s with the braking spread evenly. Kinematics. */
export const stopping: Measurement = {
  name: 'A stop',
  only: 'wheels',
  settles: 'How hard it brakes, and the grip where the wheels slid.',
  steps: [
    'Choose a straight where nobody walks. Start gently, and stay out of its way.',
    'Drive past a mark at a steady speed, and brake fully at the mark.',
    'Measure from the mark to where it stands. Do it three times and take the middle one.',
    'Check the ground: dark lines show that the wheels slid.',
  ],
  confirm: CLEAR,
  fields: [
    field('kmh', 'Speed at the mark', 'km/h', [2, 200]),
    field('metres', 'Distance to standing', 'm', [0.05, 200]),
    { ...field('slid', 'Did the wheels slide?', '', [0, 1]), isYesNo: true },
  ],
  result: ([typed], on) => {
    const { kmh, metres, slid } = typed as { kmh: number; metres: number; slid: number };
    const share = (kmh / KMH) ** 2 / (2 * metres) / GRAVITY;
    if (share > MOST_GRIP)
      return cannotBe(
        'metres',
        `That is ${share.toFixed(1)} times gravity: no tyre holds that. Check speed and distance.`,
      );
    const rig = wheels(on);
    const lines = [line('Braking, as a share of gravity', share, modelStop(on), '', 2)];
    if (slid !== 1)
      return { ok: true, value: { lines, leavesOpen: 'No wheel slid: there is more grip than that.' } };
    // Weight moves to the front while it brakes: what the driven wheels carry follows from the model's own law.
    const perGrip = gripLimit(rig, true) / (rig.grip * rig.massKg * GRAVITY);
    const grip = (share - rig.rollingResistance) / perGrip;
    return {
      ok: true,
      value: {
        lines: [...lines, line('Grip', grip, rig.grip, '', 2)],
        takes: { path: 'vehicle.grip', value: grip },
        leavesOpen: 'Grip of another ground or a worn tyre is another number.',
      },
    };
  },
};

/** More than any tyre on any ground. From memory. */
const MOST_GRIP = 3;

/** How hard the model brakes from the speed of its own drill, as a share of gravity. */
function modelStop(on: MeasureOn): number | undefined {
  const drill = runDrill('brake', on.resolved, on.esc);
  const stop = drill.numbers.find(({ id }) => id === 'stop');
  const from = Number(/(\d+) km/.exec(stop?.name ?? '')?.[1]);
  return stop?.value === undefined ? undefined : (from / KMH) ** 2 / (2 * stop.value) / GRAVITY;
}

/** The mean of what resists between two speeds, by the loss of speed: F = (m + ΣJ/r²)·Δv/Δt. */
export const coastDown: Measurement = {
  name: 'Coast down',
  only: 'wheels',
  settles: 'The sum of rolling and air, as one number.',
  steps: [
    'Set drag brake to zero for this, or take the pinion out of mesh and push.',
    'Choose a flat, straight stretch without wind. Film it beside two marks, or log the rpm.',
    'Get up to speed, let go, and let it roll.',
    'Note two speeds and the time from one to the other.',
  ],
  confirm: CLEAR,
  fields: [
    field('fast', 'From', 'km/h', [2, 200]),
    field('slow', 'to', 'km/h', [0, 199]),
    field('seconds', 'in', 's', [0.2, 120]),
  ],
  result: ([typed], on) => {
    const { fast, slow, seconds } = typed as { fast: number; slow: number; seconds: number };
    if (slow >= fast) return cannotBe('slow', 'It gets slower: the second speed is the lower one.');
    const rig = wheels(on);
    const spinning = rig.wheelInertiaKgM2 / rig.wheelRadiusM ** 2;
    const weight = rig.massKg * GRAVITY;
    const force = ((rig.massKg + spinning) * (fast - slow)) / KMH / seconds;
    return {
      ok: true,
      value: {
        lines: [
          line(
            'What resists, as a share of its weight',
            force / weight,
            resistance(rig, (fast + slow) / 2 / KMH) / weight,
            '',
            3,
          ),
        ],
        leavesOpen: 'Rolling and air cannot be told apart from one coast. The slope tells rolling alone.',
      },
    };
  },
};

export const timedLaunch: Measurement = {
  name: 'A timed launch',
  only: 'wheels',
  settles: 'What your launch strength is worth: bare levels say nothing of themselves.',
  steps: [
    'Mark five metres, or twenty. Nobody stands in its way or behind the end.',
    'Film from the side, or have somebody with a stopwatch who sees both marks.',
    'Full trigger from standing. Do it three times and take the middle one.',
  ],
  confirm: CLEAR,
  fields: [
    field('five', 'First 5 m', 's', [0.2, 30], true),
    field('twenty', 'First 20 m', 's', [0.4, 60], true),
  ],
  result: ([typed], on) => {
    const { five, twenty } = typed as { five?: number; twenty?: number };
    if (five === undefined && twenty === undefined) return cannotBe('five', 'Type one of the two times.');
    if (five !== undefined && twenty !== undefined && twenty <= five)
      return cannotBe('twenty', 'Twenty metres take longer than five.');
    return {
      ok: true,
      value: {
        lines: [
          ...(five === undefined ? [] : [line('First 5 m', five, told(on, 'launch', 'to5'), 's', 2)]),
          ...(twenty === undefined ? [] : [line('First 20 m', twenty, told(on, 'launch', 'to20'), 's', 2)]),
        ],
        leavesOpen:
          'Whether ground, motor or launch setting makes it slower, a second value of the setting tells.',
      },
    };
  },
};
