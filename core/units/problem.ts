/** One thing that is wrong with foreign data, in words that the person who typed it can act on. */
export interface Problem {
  /** Where it is, as a path into the data: `items.3.stops.0.value`. Empty for the whole. */
  path: string;
  /** What is wrong, and what would be right. */
  sentence: string;
}

/** Either the value, or every problem that stood in its way. */
export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };
