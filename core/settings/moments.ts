/** The moments of driving in which a setting is felt, in the order of one pull of the trigger. */
export const MOMENTS = {
  pullAway: 'Pull away',
  midPull: 'Mid pull',
  flatOut: 'Flat out',
  letGo: 'Let go',
  brake: 'Brake',
  backUp: 'Back up',
  supply: 'Supply',
  guard: 'Guard',
  sounds: 'Sounds',
  rest: 'Other',
} as const;
export type MomentId = keyof typeof MOMENTS;

/** The same moments where they are called something else: a pilot lets go of nothing. */
const PILOT_MOMENTS: Partial<Record<MomentId, string>> = {
  pullAway: 'Spool up',
  midPull: 'Cruise',
  flatOut: 'Climb',
  letGo: 'Cut',
};

/** The moments in the order in which they come: an aeroplane climbs before it cruises. */
export function momentsOf(kind: 'wheels' | 'propeller'): MomentId[] {
  const moments = Object.keys(MOMENTS) as MomentId[];
  if (kind === 'wheels') return moments;
  const flight: MomentId[] = ['pullAway', 'flatOut', 'midPull', 'letGo'];
  return [...flight, ...moments.filter((moment) => !flight.includes(moment))];
}

/** The name of a moment for whoever drives or flies. */
export const momentName = (moment: MomentId, kind: 'wheels' | 'propeller'): string =>
  (kind === 'propeller' ? PILOT_MOMENTS[moment] : undefined) ?? MOMENTS[moment];
