/** Resistance of wires and plugs. Source: ASTM B258 for sizes, IEC 60028 for copper at 20 °C. */

/** Ω·m at 20 °C: IEC 60028. */
const COPPER_OHM_METRES = 1.7241e-8;

/** Diameter of a solid wire of a gauge, m: 0.127 mm · 92^((36 − n)/39), ASTM B258. */
export const wireDiameter = (gauge: number): number => 0.000127 * 92 ** ((36 - gauge) / 39);

/** Ohm for each metre of one conductor. @param gauge AWG number, as printed */
export const wireOhmPerMetre = (gauge: number): number =>
  COPPER_OHM_METRES / ((Math.PI * wireDiameter(gauge) ** 2) / 4);

/** Plugs by size, ohm for a mated pair of contacts. From memory; a worn one is worse. */
export const PLUGS = {
  none: { name: 'no plug', ohm: 0 },
  pin2: { name: '2 mm pins', ohm: 0.0012 },
  pin35: { name: '3.5 mm pins', ohm: 0.0006 },
  blade: { name: 'flat blades', ohm: 0.0007 },
  pin5: { name: '5 mm pins', ohm: 0.0003 },
  pin8: { name: '8 mm pins', ohm: 0.00015 },
} as const;
export type Plug = keyof typeof PLUGS;

/**
 * Wires and plugs from pack to ESC, both ways.
 * @param lengthM of the pair, once: it counts there and back
 * @param plugPairs how many plugs lie on the way; each has two contacts
 */
export const leadOhm = (gauge: number, lengthM: number, plug: Plug, plugPairs: number): number =>
  2 * (wireOhmPerMetre(gauge) * lengthM + PLUGS[plug].ohm * plugPairs);
