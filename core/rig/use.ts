/** What a model is used for: the lap it drives or flies, how long a race is, and how full its pack begins. */
import { fullCellVolts, type Chemistry } from '../physics/pack';
import type { Lap, LapPiece, PieceKind } from '../physics/lap';
import { kindOf, type VehicleClass } from './vehicleClass';

export interface Use {
  /** The lap that it began as; its pieces may have been edited since. */
  lapId: LapId;
  lap: Lap;
  /** How long it has to last, minutes; null where nobody has said. */
  raceMinutes: number | null;
  /** What the pack was charged to, V a cell; null for what is usual for its cells. */
  chargedVoltsPerCell: number | null;
}

interface KnownLap {
  name: string;
  kind: 'wheels' | 'propeller';
  /** About how long one is out with it, minutes: so much of a stint is drawn. */
  minutes: number;
  pieces: readonly LapPiece[];
}

const piece = (kind: PieceKind, triggerPercent: number, seconds: number): LapPiece => ({
  kind,
  triggerPercent,
  seconds,
});
const straight = (trigger: number, seconds: number): LapPiece => piece('straight', trigger, seconds);
const corner = (trigger: number, seconds: number): LapPiece => piece('corner', trigger, seconds);
const climb = (trigger: number, seconds: number): LapPiece => piece('climb', trigger, seconds);
const stop = (trigger: number, seconds: number): LapPiece => piece('stop', trigger, seconds);

/** Laps to choose from. From memory. */
export const LAPS = {
  race: {
    name: 'race track',
    kind: 'wheels',
    minutes: 20,
    pieces: [
      straight(100, 2),
      straight(-70, 0.5),
      corner(55, 1.2),
      straight(100, 1.2),
      corner(0, 0.4),
      corner(65, 1.3),
      straight(100, 1.2),
      straight(-40, 0.3),
      corner(60, 1.2),
    ],
  },
  smallTrack: {
    name: 'small, winding track',
    kind: 'wheels',
    minutes: 25,
    pieces: [
      straight(80, 1.2),
      straight(-50, 0.4),
      corner(30, 1.6),
      straight(60, 0.9),
      corner(20, 1.5),
      corner(45, 1.8),
      straight(-30, 0.3),
      corner(30, 1.3),
    ],
  },
  speedRun: {
    name: 'speed runs',
    kind: 'wheels',
    minutes: 15,
    pieces: [straight(100, 4), straight(0, 3), straight(-40, 2), corner(15, 8), stop(0, 25)],
  },
  bash: {
    name: 'bashing',
    kind: 'wheels',
    minutes: 40,
    pieces: [
      straight(100, 1.8),
      corner(30, 2),
      climb(70, 1.5),
      straight(-50, 0.8),
      stop(0, 2),
      straight(60, 2.4),
      corner(25, 3),
      stop(0, 2.5),
    ],
  },
  rocks: {
    name: 'rocks',
    kind: 'wheels',
    minutes: 90,
    pieces: [straight(35, 5), climb(55, 6), stop(0, 2), climb(70, 4), straight(30, 4), stop(0, 3)],
  },
  trail: {
    name: 'a long trail',
    kind: 'wheels',
    minutes: 120,
    pieces: [straight(50, 10), climb(60, 6), corner(40, 5), straight(40, 8), stop(0, 4)],
  },
  show: {
    name: 'a show',
    kind: 'wheels',
    minutes: 60,
    pieces: [straight(35, 4), corner(20, 5), straight(-30, 1), stop(0, 20)],
  },
  sport: {
    name: 'sport flight',
    kind: 'propeller',
    minutes: 15,
    pieces: [climb(100, 6), straight(60, 20), corner(75, 10), straight(30, 8), stop(0, 3)],
  },
  aerobatics: {
    name: 'aerobatics',
    kind: 'propeller',
    minutes: 12,
    pieces: [climb(100, 5), straight(45, 8), climb(80, 6), stop(10, 4), corner(55, 8), straight(35, 6)],
  },
  gliding: {
    name: 'climb and glide',
    kind: 'propeller',
    minutes: 40,
    pieces: [climb(100, 15), stop(0, 105)],
  },
  hover: {
    name: 'hover and circuits',
    kind: 'propeller',
    minutes: 12,
    pieces: [straight(45, 15), climb(70, 4), straight(55, 10), stop(35, 5)],
  },
  fullBoat: {
    name: 'wide open and back',
    kind: 'propeller',
    minutes: 10,
    pieces: [straight(100, 8), corner(60, 3), straight(100, 8), corner(50, 4)],
  },
  workBoat: {
    name: 'work on the water',
    kind: 'propeller',
    minutes: 90,
    pieces: [straight(50, 30), corner(35, 15), stop(0, 10), climb(90, 10)],
  },
} as const satisfies Record<string, KnownLap>;
export type LapId = keyof typeof LAPS;

const USUAL_LAP: Record<VehicleClass, LapId> = {
  crawler: 'rocks',
  trailTruck: 'trail',
  tenthBuggy: 'race',
  eighthBuggy: 'race',
  specCircuit: 'race',
  modifiedCircuit: 'race',
  sprint: 'speedRun',
  basher: 'bash',
  showTruck: 'show',
  sportPlane: 'sport',
  aerobaticPlane: 'aerobatics',
  glider: 'gliding',
  twinPlane: 'sport',
  helicopter: 'hover',
  multirotor: 'hover',
  fastBoat: 'fullBoat',
  workingBoat: 'workBoat',
};

/** A lap as it is known, driven as hard as it says. */
export const knownLap = (id: LapId): Lap => ({ pieces: LAPS[id].pieces, howHardPercent: 100 });

/** The laps that a class can choose from. */
export const lapsFor = (vehicleClass: VehicleClass): LapId[] =>
  (Object.keys(LAPS) as LapId[]).filter((id) => LAPS[id].kind === kindOf(vehicleClass));

/** What is usual for a class. */
export const usualUse = (vehicleClass: VehicleClass): Use => ({
  lapId: USUAL_LAP[vehicleClass],
  lap: knownLap(USUAL_LAP[vehicleClass]),
  raceMinutes: null,
  chargedVoltsPerCell: null,
});

/** A race is drawn to a little beyond its end. */
const BEYOND_THE_RACE = 1.25;

/** How much of a stint is drawn, minutes. */
export const shownMinutes = ({ lapId, raceMinutes }: Use): number =>
  raceMinutes === null ? LAPS[lapId].minutes : BEYOND_THE_RACE * raceMinutes;

const LITHIUM_CHARGES = [4.1, 4.18, 4.2, 4.35];

/** What the cells of a pack may be charged to, V a cell: never above what they are made for. */
export const chargesFor = (chemistry: Chemistry): number[] => {
  const full = fullCellVolts(chemistry);
  return chemistry === 'lipo' || chemistry === 'lihv'
    ? LITHIUM_CHARGES.filter((volts) => volts <= full)
    : [full];
};

/** How wide the numbers of a use may be, each least and most. A piece that lasts longer is a day, not a piece. */
export const USE_BOUNDS = {
  triggerPercent: [-100, 100],
  seconds: [0.1, 600],
  howHardPercent: [20, 150],
  raceMinutes: [0.5, 240],
} as const satisfies Record<string, readonly [least: number, most: number]>;
export const MOST_PIECES = 24;
