import type { Edge, State, TimedEdge } from './language';

/** The states of the power switch, from which families and media start. */
export type PowerState = 'off' | 'offHeld' | 'driving' | 'waitingForNeutral';

/** What one family or medium adds to an ESC: states of its own, and ways into them. */
export interface MachinePart {
  states: Record<string, State>;
  /** Ways in from the power states. */
  into?: Partial<Record<PowerState, Edge[]>>;
  /** Ways in when the ESC first looks at the throttle. The first whose guard holds is taken. */
  atFirstLook?: TimedEdge[];
}

/** Puts parts together. @throws {Error} when two parts have a state of the same name */
export function joinParts(parts: MachinePart[]): MachinePart {
  const joined: Required<MachinePart> = { states: {}, into: {}, atFirstLook: [] };
  for (const { states, into = {}, atFirstLook = [] } of parts) {
    for (const [name, state] of Object.entries(states)) {
      if (joined.states[name]) throw new Error(`two parts have a state '${name}'`);
      joined.states[name] = state;
    }
    for (const [name, edges] of Object.entries(into) as [PowerState, Edge[]][]) {
      joined.into[name] = [...(joined.into[name] ?? []), ...edges];
    }
    joined.atFirstLook.push(...atFirstLook);
  }
  return joined;
}
