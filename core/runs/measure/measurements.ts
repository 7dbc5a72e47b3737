import type { VehicleKind } from '../../rig/rig';
import type { Measurement } from './measurement';
import { thrustStand, weights } from './onBench';
import { coastDown, rollingSlope, stopping, timedLaunch } from './onGround';

/** Everything that can be measured, by its id. */
export const MEASUREMENTS = { weights, rollingSlope, stopping, coastDown, timedLaunch, thrustStand } as const;
export type MeasurementId = keyof typeof MEASUREMENTS;

/** What can be measured of a kind of model. */
export const measurementsOf = (kind: VehicleKind): MeasurementId[] =>
  (Object.keys(MEASUREMENTS) as MeasurementId[]).filter((id) => {
    const { only }: Measurement = MEASUREMENTS[id];
    return (only ?? kind) === kind;
  });
