/** Three-phase switching simulations, our own: see `docs/physics.md`. Numbers as their columns are named. */
import brakeText from './reference/brake.csv?raw';
import driveText from './reference/drive.csv?raw';

type Row<K extends string> = Readonly<Record<K, number>>;

function rowsOf<K extends string>(text: string): Row<K>[] {
  const [head, ...lines] = text.trim().split('\n');
  const names = head!.split(',') as K[];
  return lines.map((line) => {
    const numbers = line.split(',').map(Number);
    return Object.fromEntries(names.map((name, n) => [name, numbers[n]!])) as Row<K>;
  });
}

type MotorColumns = 'kv_rpm_per_volt' | 'pole_pairs' | 'resistance_ohm' | 'inductance_h';

/** Low sides shorted for a share of each period, diodes for the rest, a stiff bus. */
export const BRAKE_POINTS = rowsOf<
  MotorColumns | 'bus_v' | 'rpm' | 'strength' | 'frequency_hz' | 'torque_current_a' | 'returned_current_a'
>(brakeText);

/** Six-step commutation, pulse-width modulation on the high side of the active pair. */
export const DRIVE_POINTS = rowsOf<
  | MotorColumns
  | 'bus_v'
  | 'rpm'
  | 'duty'
  | 'frequency_hz'
  | 'damped'
  | 'advance_deg'
  | 'torque_current_a'
  | 'bus_current_a'
  | 'copper_w'
>(driveText);

/** The share of a sorted list below which so much of it lies: 0.5 is the median. */
export function percentile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)]!;
}
