/** What a standard drill answers: a trace and a few numbers, for one rig and one set of ESC values. */
export interface DrillNumber {
  id: string;
  name: string;
  /** Undefined where the drill never gets there. */
  value: number | undefined;
  unit: string;
  decimals: number;
  /** Plain words for less and for more of it. */
  less: string;
  more: string;
}

/** One curve. */
export interface Trace {
  xLabel: string;
  yLabel: string;
  /** Where its axis begins; at zero where left out. */
  from?: number;
  points: { x: number; y: number }[];
}

export interface Drill extends Trace {
  /** Further curves that say what the first does not. */
  more?: Trace[];
  /** A level worth drawing across the trace, with its words. */
  mark?: { y: number; label: string };
  numbers: DrillNumber[];
}

/** Points of a trace beside its first, the same for every run of a drill so that two can be laid over each other. */
export const TRACE_POINTS = 80;

/** A number of a drill, in one line. */
export const number = (
  id: string,
  name: string,
  value: number | undefined,
  unit: string,
  decimals: number,
  less: string,
  more: string,
): DrillNumber => ({ id, name, value, unit, decimals, less, more });
