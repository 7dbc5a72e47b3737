import { AIR_DENSITY } from '../../physics/air';
import { idealStaticThrust } from '../../physics/propeller';

export interface PropellerFigures {
  /** How fast it would screw itself forward without slip, m/s. */
  pitchSpeed: number;
  tipSpeed: number;
  thrustN: number;
  powerW: number;
  /** Thrust against the most that this power can give the disc, 0 to 1 for sound numbers. */
  figureOfMerit: number;
}

/** What a propeller does standing still at a speed. Sources: McCormick (coefficients), momentum theory (bound). */
export function propellerFigures(
  diameterM: number,
  pitchM: number,
  thrustCoefficient: number,
  powerCoefficient: number,
  rpm: number,
): PropellerFigures {
  const n = rpm / 60;
  const thrustN = thrustCoefficient * AIR_DENSITY * n ** 2 * diameterM ** 4;
  const powerW = powerCoefficient * AIR_DENSITY * n ** 3 * diameterM ** 5;
  return {
    pitchSpeed: n * pitchM,
    tipSpeed: Math.PI * diameterM * n,
    thrustN,
    powerW,
    figureOfMerit: powerW > 0 ? thrustN / idealStaticThrust(powerW, diameterM) : 0,
  };
}

/** The coefficient of a measured thrust: T/(ρ·n²·D⁴). @param thrustN weighed, in newtons */
export const thrustCoefficientFrom = (thrustN: number, rpm: number, diameterM: number): number =>
  thrustN / (AIR_DENSITY * (rpm / 60) ** 2 * diameterM ** 4);
