/** Density of air at sea level and 15 °C, kg/m³. Source: ISO 2533. */
export const AIR_DENSITY = 1.225;
