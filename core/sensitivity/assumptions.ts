/** What of a rig is assumed, how far off a guess may be, and which number of a drill rests on it. */
import type { EscProfile } from '../esc/profile';
import { resolveRig } from '../rig/resolve';
import type { Rig } from '../rig/rig';
import type { Use } from '../rig/use';
import type { Quantity } from '../units/provenance';
import type { DrillNumber } from '../physics/drills/drill';
import { runDrill, type DrillId } from '../physics/drills/runDrill';
import type { EscBehaviour } from '../physics/escChain';
import type { ResolvedRig, ThermalModel } from '../physics/resolved';

export interface Assumption {
  id: string;
  label: string;
  /** How far off a guess may be, as a share. From memory. */
  spread: number;
  /** The number of the rig; left out for what no rig states. */
  of?: (rig: Rig) => Quantity | undefined;
  /** What a factor on it does, where no number of the rig states it. */
  scaled?: (rig: ResolvedRig, factor: number) => ResolvedRig;
}

const MAY_BE_ASSUMED: readonly Assumption[] = [
  { id: 'mass', label: 'mass', spread: 0.1, of: ({ vehicle }) => vehicle.massKg },
  { id: 'kv', label: 'motor kV', spread: 0.05, of: ({ motor }) => motor.kvRpmPerVolt },
  { id: 'resistance', label: 'motor resistance', spread: 0.3, of: ({ motor }) => motor.resistanceOhm },
  { id: 'inductance', label: 'motor inductance', spread: 0.4, of: ({ motor }) => motor.inductanceH },
  { id: 'noLoad', label: 'no-load current', spread: 0.3, of: ({ motor }) => motor.noLoadCurrentA },
  { id: 'rotor', label: 'rotor inertia', spread: 0.3, of: ({ motor }) => motor.rotorInertiaKgM2 },
  { id: 'cell', label: 'pack resistance', spread: 0.5, of: ({ pack }) => pack.cellResistanceOhm },
  {
    id: 'leads',
    label: 'resistance of wires and plugs',
    spread: 0.5,
    of: ({ pack }) => pack.leadResistanceOhm,
  },
  { id: 'capacity', label: 'pack capacity', spread: 0.1, of: ({ pack }) => pack.capacityAh },
  {
    id: 'grip',
    label: 'grip',
    spread: 0.25,
    of: ({ vehicle }) => (vehicle.kind === 'wheels' ? vehicle.grip : undefined),
  },
  {
    id: 'rolling',
    label: 'rolling resistance',
    spread: 0.4,
    of: ({ vehicle }) => (vehicle.kind === 'wheels' ? vehicle.rollingResistance : undefined),
  },
  {
    id: 'drag',
    label: 'air drag',
    spread: 0.3,
    of: ({ vehicle }) => (vehicle.kind === 'wheels' ? vehicle.dragAreaM2 : undefined),
  },
  {
    id: 'wheels',
    label: 'inertia of the wheels',
    spread: 0.3,
    of: ({ vehicle }) => (vehicle.kind === 'wheels' ? vehicle.wheelInertiaKgM2 : undefined),
  },
  {
    id: 'driveline',
    label: 'driveline efficiency',
    spread: 0.08,
    of: ({ vehicle }) => (vehicle.kind === 'wheels' ? vehicle.drivelineEfficiency : undefined),
  },
  {
    id: 'thrust',
    label: 'thrust coefficient',
    spread: 0.2,
    of: ({ vehicle }) => (vehicle.kind === 'propeller' ? vehicle.thrustCoefficient : undefined),
  },
  {
    id: 'power',
    label: 'power coefficient',
    spread: 0.2,
    of: ({ vehicle }) => (vehicle.kind === 'propeller' ? vehicle.powerCoefficient : undefined),
  },
  { id: 'detent', label: 'what the magnets hold', spread: 0.5, of: ({ motor }) => motor.detentNm },
  {
    id: 'cooling',
    label: 'how well motor and ESC are cooled',
    spread: 0.35,
    scaled: (rig, factor) => ({ ...rig, thermal: cooledLess(rig.thermal, factor) }),
  },
  {
    id: 'lap',
    label: 'how hard the lap is driven',
    spread: 0.15,
    scaled: (rig, factor) => ({
      ...rig,
      lap: { ...rig.lap, howHardPercent: factor * rig.lap.howHardPercent },
    }),
  },
];

const cooledLess = (thermal: ThermalModel, factor: number): ThermalModel => ({
  ...thermal,
  caseStill: factor * thermal.caseStill,
  caseMoving: factor * thermal.caseMoving,
  escStill: factor * thermal.escStill,
  escFan: factor * thermal.escFan,
});

/** What of this rig nobody has given or measured. */
export const assumptionsOf = (rig: Rig): Assumption[] =>
  MAY_BE_ASSUMED.filter(({ of }) => of === undefined || of(rig)?.basis === 'assumed');

/** The rig for the drills at both ends of what an assumption may be. */
export const atBothEnds = (
  { spread, of, scaled }: Assumption,
  rig: Rig,
  profile: EscProfile,
  use: Use | undefined,
): ResolvedRig[] =>
  [1 - spread, 1 + spread].map((factor) => {
    const resolved = resolveRig(of ? withScaled(rig, of, factor) : rig, profile, use);
    return scaled ? scaled(resolved, factor) : resolved;
  });

/** A rig with one of its quantities scaled. */
function withScaled(rig: Rig, of: (rig: Rig) => Quantity | undefined, factor: number): Rig {
  // A rig is plain data, as its file is.
  const copy = JSON.parse(JSON.stringify(rig)) as Rig;
  const quantity = of(copy)!;
  quantity.value *= factor;
  return copy;
}

/** A number of a drill, with the assumptions that move it and how far. */
export interface RestsOn {
  number: DrillNumber;
  /** Most telling first. */
  assumed: { label: string; low: number; high: number }[];
}

/** An assumption that moves a number by less than this share is not worth a word. */
const WORTH_A_WORD = 0.01;

/**
 * For each number of a drill, which assumptions move it.
 * @throws {Error} where the drill cannot be computed for this rig
 */
export function whatNumbersRestOn(
  drill: DrillId,
  rig: Rig,
  profile: EscProfile,
  esc: EscBehaviour,
  use?: Use,
): RestsOn[] {
  const valuesOf = (of: ResolvedRig): Map<string, number | undefined> =>
    new Map(runDrill(drill, of, esc).numbers.map(({ id, value }) => [id, value]));
  const tried = assumptionsOf(rig).map((assumption) => ({
    label: assumption.label,
    ends: atBothEnds(assumption, rig, profile, use).map(valuesOf),
  }));
  return runDrill(drill, resolveRig(rig, profile, use), esc).numbers.map((number) => {
    const now = number.value;
    if (now === undefined) return { number, assumed: [] };
    const assumed = tried.flatMap(({ label, ends }) => {
      const values = ends.map((end) => end.get(number.id)).filter((value) => value !== undefined);
      const low = Math.min(now, ...values);
      const high = Math.max(now, ...values);
      const share = (high - low) / Math.max(Math.abs(now), 10 ** -number.decimals);
      return share > WORTH_A_WORD ? [{ label, low, high }] : [];
    });
    return { number, assumed: assumed.sort((a, b) => b.high - b.low - (a.high - a.low)) };
  });
}
