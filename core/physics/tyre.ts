/** Wheels and gears between the motor's shaft and the ground, and how they change as the tyre grows. */
import type { ResolvedWheels } from './resolved';

/** Speed at which the back-EMF meets the pack, m/s: kV × V through the gearing. Hughes and Drury, Electric Motors and Drives. */
export const speedWithoutLoad = (
  volts: number,
  motorConstant: number,
  finalDrive: number,
  wheelRadiusM: number,
): number => (volts / motorConstant / finalDrive) * wheelRadiusM;

/** The same of a rig as drills begin, its tyres at rest. */
export const noLoadSpeed = ({ openVolts, motor, finalDrive, wheelRadiusM }: ResolvedWheels): number =>
  speedWithoutLoad(openVolts, motor.constant, finalDrive, wheelRadiusM);

/** Turns of the motor for a metre of the tyre at rest, rad/m. */
export const gearingOf = ({ finalDrive, wheelRadiusM }: ResolvedWheels): number => finalDrive / wheelRadiusM;

/** How a tyre grows. */
export interface TyreModel {
  /** By so much at most, as a share. */
  tyreGrowth: number;
  /** Where it has grown by that: the no-load speed, m/s. */
  fullTyreSpeed: number;
}

export const tyreModel = (rig: ResolvedWheels): TyreModel => ({
  tyreGrowth: rig.tyreGrowth,
  fullTyreSpeed: noLoadSpeed(rig),
});

/** How many times its size at rest a tyre is at a speed of its surface: its growth goes with the square of the speed. Assumed. */
export const tyreSize = ({ tyreGrowth, fullTyreSpeed }: TyreModel, tyreSpeed: number): number =>
  tyreGrowth === 0 ? 1 : 1 + tyreGrowth * Math.min(1, (tyreSpeed / fullTyreSpeed) ** 2);

/** Turns of the motor for a metre of the tyre, rad/m, at a tyre speed: a grown tyre gears up. */
export const gearingAt = (rig: ResolvedWheels, tyreSpeed: number): number =>
  gearingOf(rig) / tyreSize(tyreModel(rig), tyreSpeed);

/** Shaft speed of the motor for a tyre speed, rad/s. */
export const shaftSpeedAt = (rig: ResolvedWheels, tyreSpeed: number): number =>
  tyreSpeed * gearingAt(rig, tyreSpeed);
