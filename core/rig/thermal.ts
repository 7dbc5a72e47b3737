/** Heat in motor and ESC as lumped nodes, by class. From memory, assumed: fitted once temperatures are measured. */
import type { ThermalModel } from '../physics/resolved';
import type { VehicleClass } from './vehicleClass';

const model = (
  [windingJPerK, windingToCase]: readonly [number, number],
  [caseJPerK, caseStill, caseMoving]: readonly [number, number, number],
  [escJPerK, escStill, escFan]: readonly [number, number, number],
): ThermalModel => ({
  windingJPerK,
  caseJPerK,
  escJPerK,
  windingToCase,
  caseStill,
  caseMoving,
  escStill,
  escFan,
});

const CRAWLER = model([20, 1.5], [50, 7, 4], [20, 8, 5]);
const SMALL_FOUR_POLE = model([20, 1], [80, 4.5, 2], [30, 4.5, 2.5]);
const LARGE_FOUR_POLE = model([40, 0.6], [120, 3, 1.2], [70, 2.5, 1.2]);
const AEROPLANE = model([40, 0.5], [130, 2, 1], [30, 5, 2]);
const LARGE_BASHER = model([110, 0.35], [350, 1.5, 0.9], [150, 1.5, 0.8]);

const BY_CLASS: Partial<Record<VehicleClass, ThermalModel>> = {
  crawler: CRAWLER,
  trailTruck: CRAWLER,
  showTruck: CRAWLER,
  eighthBuggy: LARGE_FOUR_POLE,
  basher: LARGE_BASHER,
  fastBoat: LARGE_FOUR_POLE,
  workingBoat: CRAWLER,
  sportPlane: AEROPLANE,
  aerobaticPlane: AEROPLANE,
  glider: AEROPLANE,
  twinPlane: AEROPLANE,
  helicopter: AEROPLANE,
  multirotor: CRAWLER,
};

/** The nodes of a class; a tenth-scale car's where it has none of its own. */
export const thermalOf = (vehicleClass: VehicleClass): ThermalModel =>
  BY_CLASS[vehicleClass] ?? SMALL_FOUR_POLE;
