/** One number of a measurement, with the model's own where it has one. */
export interface MeasuredLine {
  name: string;
  value: number;
  model: number | null;
  unit: string;
  decimals: number;
}

/** A measurement as it is kept, readable without the code that made it. */
export interface KeptMeasurement {
  id: string;
  name: string;
  rows: { label: string; typed: Record<string, number> }[];
  lines: MeasuredLine[];
  note: string;
}
