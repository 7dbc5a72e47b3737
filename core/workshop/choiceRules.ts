/** By which words manuals print the choices of named settings; the same rules as for names. Common practice and from memory. */
import type { SettingId } from '../settings/vocabulary';

type ChoiceRule = readonly [choice: string, names: string];

const ON = 'on, yes, enable, enabled, active, activated';
const OFF = 'off, no, none, disable, disabled, inactive, deactivated, not used';

export const CHOICE_RULES: Partial<Record<SettingId, readonly ChoiceRule[]>> = {
  rotation: [
    ['normal', 'normal, cw, forward, normal rotation/direction, standard, default'],
    ['reversed', 'reverse, reversed, ccw, opposite, inverted, reverse rotation/direction, backward'],
    ['twoWay', 'bidirectional, both, both direction/way, bidirectional rotation, forward reverse both?'],
  ],
  motorType: [
    [
      'sensoredStart',
      'sensor start, sensor start then? sensorless, hybrid, smart sensor?, sensor sensorless hybrid, sensor low speed then? sensorless?',
    ],
    ['sensorless', 'sensorless, sensorless brushless, without/no sensor, sensorless only'],
    ['brushed', 'brushed, brushed motor'],
    [
      'sensored',
      'sensor, sensor brushless, sensor only, sensor throughout, full sensor, always sensor, sensor always',
    ],
  ],
  cutoffAction: [
    [
      'stop',
      'stop, stop at once, hard, hard cutoff/stop, immediate cutoff/stop?, motor stop, motor off, cutoff, cutoff motor, power cutoff/off, shutdown, cutoff power at? once?',
    ],
    [
      'reduce',
      'reduce, soft, soft cutoff, reduce power, power reduction, reduced power, half power, power limit, limit power, reduce power half',
    ],
    [
      'rampDown',
      'ramp down, ramp down slowly/slow, gradual, gradual cutoff/stop/reduction, slow down, slowly down/reduce, gradually reduce/down power?, slowly reduce power',
    ],
    ['stepDown', 'step down, step, stepwise, step down again, stepped'],
  ],
  cutoffReturn: [
    ['returns', `return, returns, yes, on, auto return, auto, return after volt recovers?, enabled`],
    ['stays', 'stays, stay, latched, latch, no, off, until restart, stay cutoff, disabled, stay off'],
  ],
  chemistry: [
    ['lihv', 'hv, lipo hv, hv lipo/lithium, high volt lithium/lipo, lihv'],
    ['life', 'life, lithium iron, iron, life hv?'],
    ['liion', 'liion, lithium ion, ion'],
    ['nimh', 'nimh, nickel, nicd, nimh nicd, nixx, nickel metal hydride'],
    ['auto', 'auto, auto detect/detection, detect auto?'],
    ['lipo', 'lipo, lithium polymer, lithium, li, lixx'],
  ],
  reverseEntry: [
    [
      'doubleTap',
      'double, double tap/click/push/press, second tap/push/click, two tap/push/click, twice, 2x, tap twice',
    ],
    ['delayed', 'delay, delayed, wait, after delay, after pause'],
    [
      'instant',
      'instant, instantly, direct, immediate, at once, once, single tap/click/push/press, direct reverse',
    ],
  ],
  fan: [
    ['auto', 'auto, auto temp, temp, temp controlled, by temp, temp dependent'],
    ['on', 'on, always, always on, permanent, continuous, full'],
    ['off', 'off, always off, never, none, no fan?, disabled'],
  ],
  signalLossAction: [
    ['brake', 'brake, full brake, brake motor'],
    ['hold', 'hold, keep, hold/keep last, hold/keep last throttle/position'],
    [
      'stop',
      'off, stop, motor off/stop, cutoff, power off/cutoff, shutdown, cutoff power/throttle/motor, stop motor',
    ],
  ],
  governor: [
    ['setRpm', 'rpm, fixed rpm?, stored rpm, store rpm, speed, fixed speed'],
    ['off', OFF],
    ['throttle', 'throttle, stick, throttle position, by throttle'],
  ],
  brakeLaw: [
    ['hybrid', 'hybrid'],
    ['constant', 'constant, constant torque, torque'],
    ['linear', 'linear, normal, proportional'],
  ],
  // "On" may mean that learning is on, or that the lock is.
  calibrationLock: [
    ['off', 'lock, locked, not allowed, fixed, fixed range, disabled, calibration disabled/off'],
    ['on', 'allowed, allow, free, unlocked, enabled, calibration enabled/on'],
  ],
  freewheel: [
    ['off', `${OFF}, not damped, undamped, damped off`],
    ['on', `${ON}, damped, damped on`],
  ],
  boostActivation: [
    ['throttle', 'throttle, throttle position, by throttle'],
    ['rpm', 'rpm, motor speed, speed, by rpm'],
    ['both', 'both, throttle rpm, throttle and/+ rpm'],
    ['auto', 'auto'],
    ['off', OFF],
  ],
  turboActivation: [
    ['throttle', 'throttle, throttle position, by throttle, full throttle'],
    ['rpm', 'rpm, motor speed, speed, by rpm'],
    ['both', 'both, throttle rpm, full? throttle and/+ rpm'],
    ['auto', 'auto'],
    ['off', OFF],
  ],
  auxiliaryLead: [
    ['off', OFF],
    ['fan', 'fan, fan supply, cooling fan'],
    ['telemetry', 'telemetry, telemetry output, data'],
    ['powerOff', 'switch, power switch, remote off, power off, switch off'],
    ['rpm', 'rpm, rpm output/signal/sensor, speed signal'],
    ['settings', 'settings, adjust on/in fly, tuning, mode switch, live adjust'],
  ],
};

/** For everything that is only switched. */
export const ON_OFF_RULES: readonly ChoiceRule[] = [
  ['off', OFF],
  ['on', ON],
];
