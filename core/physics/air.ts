/** Density of air at sea level and 15 °C, kg/m³. Source: ISO 2533. */
export const AIR_DENSITY = 1.225;
/** Fresh water at 20 °C, kg/m³. */
export const WATER_DENSITY = 998.2;

const SEA_LEVEL_KELVIN = 288.15;
const LAPSE_KELVIN_PER_M = 0.0065;
/** g·M/(R·lapse), of the standard atmosphere. */
const EXPONENT = 5.25588;
const ICE_KELVIN = 273.15;

/**
 * Density of air, kg/m³, from the standard pressure at an altitude. Source: ISO 2533, its lowest layer.
 * @param altitudeM geopotential, −1000 to 11 000
 * @param celsius of the air there; the standard's own where left out
 */
export function airDensity(altitudeM: number, celsius?: number): number {
  const standardKelvin = SEA_LEVEL_KELVIN - LAPSE_KELVIN_PER_M * altitudeM;
  const pressureShare = (standardKelvin / SEA_LEVEL_KELVIN) ** EXPONENT;
  const kelvin = celsius === undefined ? standardKelvin : celsius + ICE_KELVIN;
  return (AIR_DENSITY * pressureShare * SEA_LEVEL_KELVIN) / kelvin;
}
