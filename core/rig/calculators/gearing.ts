import type { Gearing } from '../rig';

/** Motor turns for one turn of the wheel: spur ÷ pinion × internal ratio. @example 58, 20, 43/13 → 9.59 */
export const finalDriveOf = ({ spurTeeth, pinionTeeth, internalRatio }: Gearing): number =>
  (spurTeeth / pinionTeeth) * internalRatio;

/** Road speed for every thousand motor rpm, m/s, without slip or growth of the tyre. */
export const speedPerThousandRpm = (finalDrive: number, wheelDiameterM: number): number =>
  (1000 / 60 / finalDrive) * Math.PI * wheelDiameterM;
