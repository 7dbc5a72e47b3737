/** Standard gravity, m/s². */
export const GRAVITY = 9.80665;

/** Motor constant K_e = K_t in SI (V·s/rad = N·m/A) from kV in rpm per volt, measured without advance. */
export const motorConstant = (kvRpmPerVolt: number): number => 60 / (2 * Math.PI * kvRpmPerVolt);

/** rpm to rad/s. */
export const radPerSecond = (rpm: number): number => (rpm * 2 * Math.PI) / 60;

/** rad/s to rpm. */
export const rpmOf = (radPerSec: number): number => (radPerSec * 60) / (2 * Math.PI);

/** m/s to km/h. */
export const kmPerHour = (metresPerSecond: number): number => metresPerSecond * 3.6;

/** km/h to m/s. */
export const metresPerSecond = (kmh: number): number => kmh / 3.6;

/** Propellers are printed in inches. */
export const INCHES_A_METRE = 1 / 0.0254;
