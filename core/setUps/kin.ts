/** Settings that do much the same, and those that are no taste and belong to one model's wires. Common practice. */
import type { SettingId } from '../settings/vocabulary';

/** What stands in for a setting where an ESC lacks it, the likest first: matched by effect only. */
export const KIN: Readonly<Partial<Record<SettingId, readonly SettingId[]>>> = {
  launchStrength: ['launchLimit', 'startAcceleration', 'response', 'torqueLimit', 'startPower'],
  launchLimit: ['launchStrength', 'startAcceleration', 'response', 'torqueLimit', 'startPower'],
  startAcceleration: ['softStart', 'response', 'launchStrength', 'launchLimit'],
  softStart: ['startAcceleration', 'response'],
  response: ['startAcceleration', 'softStart', 'launchStrength'],
  torqueLimit: ['currentLimit', 'launchLimit'],
  currentLimit: ['torqueLimit'],
  initialBrake: ['brakeMinimum'],
  brakeMinimum: ['initialBrake'],
};

/** Why a value is never carried to another ESC. */
export const NOT_CARRIED: Readonly<Partial<Record<SettingId, string>>> = {
  rotation: 'Which way it turns depends on the order of the motor wires. It stays as it is.',
  calibrationLock: 'It guards the end points of that ESC. It stays as it is.',
};
