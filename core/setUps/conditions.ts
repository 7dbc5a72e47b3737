/** What a set of values was driven with: the same values do something else with another motor, pack or ground. */
import { SURFACES, type Goals, type Surface } from '../advice/goals';
import type { Rig } from '../rig/rig';
import { VEHICLE_CLASSES, type VehicleClass } from '../rig/vehicleClass';
import { withUnit } from '../units/format';

export interface Conditions {
  rigName: string;
  vehicleClass: VehicleClass;
  surface: Surface;
  kvRpmPerVolt: number;
  packCells: number;
  massKg: number;
  /** Motor turns for one of the wheel, or of the propeller. */
  finalDrive: number;
}

/** What a rig is driven with. */
export const conditionsOf = (rig: Rig, { surface }: Pick<Goals, 'surface'>): Conditions => ({
  rigName: rig.name,
  vehicleClass: rig.vehicleClass,
  surface,
  kvRpmPerVolt: rig.motor.kvRpmPerVolt.value,
  packCells: rig.pack.cells,
  massKg: rig.vehicle.massKg.value,
  finalDrive: rig.vehicle.kind === 'wheels' ? rig.vehicle.finalDrive.value : rig.vehicle.gearRatio.value,
});

export interface ConditionRow {
  name: string;
  left: string;
  right: string;
}

/** The conditions that differ, in words. Numbers within a hundredth of each other are the same. */
export function unlikeConditions(left: Conditions, right: Conditions): ConditionRow[] {
  const numbers = (
    [
      ['Motor', 'kvRpmPerVolt', (kv: number) => withUnit(kv, 'rpm per volt', 0)],
      ['Cells', 'packCells', (cells: number) => String(cells)],
      ['Mass', 'massKg', (kg: number) => withUnit(kg * 1000, 'g', 0)],
      ['Final drive', 'finalDrive', (ratio: number) => withUnit(ratio, ': 1', 2)],
    ] as const
  )
    .filter(([, key]) => Math.abs(left[key] - right[key]) > SAME_SHARE * Math.abs(left[key]))
    .map(([name, key, words]) => ({ name, left: words(left[key]), right: words(right[key]) }));
  const words: ConditionRow[] = [
    { name: 'Class', left: VEHICLE_CLASSES[left.vehicleClass], right: VEHICLE_CLASSES[right.vehicleClass] },
    { name: 'Ground', left: SURFACES[left.surface], right: SURFACES[right.surface] },
  ].filter((row) => row.left !== row.right);
  return [...words, ...numbers];
}

const SAME_SHARE = 0.01;
