/** From one version of a format to the next, on data that nobody has checked yet: the newest schema judges it. */
export type Upgrade = (body: Record<string, unknown>) => Record<string, unknown>;

/** An object inside unchecked data; an empty one where it is something else, for the schema to complain about. */
export const part = (value: unknown): Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? (value as Record<string, unknown>)
    : {};
