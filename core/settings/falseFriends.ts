/**
 * Words that mean one thing on one ESC and another on the next. Common practice.
 * The table importer warns of them, the glossary explains them.
 */
import type { SettingId } from './vocabulary';

export interface FalseFriend {
  id: string;
  title: string;
  /** Which is which, and how to tell. */
  sentence: string;
  /** The settings that are taken for one another. */
  settings: readonly SettingId[];
  /** Names in a manual that call for a second look, as lower-case parts. */
  words: readonly string[];
}

const friend = (
  id: string,
  title: string,
  settings: readonly SettingId[],
  words: readonly string[],
  sentence: string,
): FalseFriend => ({ id, title, settings, words, sentence });

export const FALSE_FRIENDS: readonly FalseFriend[] = [
  friend(
    'punch',
    'Punch and punch control',
    ['launchStrength', 'launchLimit', 'coastAssist'],
    ['punch'],
    'Punch as a strength hits harder with more. Punch control is a limit: softer with more. Check in the manual what the highest stop does. Coast assist is different: it rolls on after you let go.',
  ),
  friend(
    'linearity',
    'Linearity and compression',
    ['throttleCurve', 'brakeCurve'],
    ['linearity', 'compression', 'curve', 'expo'],
    'On one ESC the highest number is straight, on another 1 is straight and the highest is most bent. Find the straight one in the manual first.',
  ),
  friend(
    'boost-start',
    'Boost by throttle and boost by rpm',
    ['boostStart', 'boostFromThrottle', 'turboFrom', 'turbo'],
    ['boost', 'turbo'],
    'Boost may start at a throttle or at a motor speed. Turbo may come above a throttle or only at full, in degrees or per cent. The unit tells which.',
  ),
  friend(
    'turbo-rates',
    'Turbo on-rate and off-rate',
    ['turboOnRate', 'turboOffRate'],
    ['on rate', 'off rate', 'on-rate', 'off-rate', 'slope'],
    'A low on-rate is slow, but the off-rate beside it is often numbered with low as quick. Write both in degrees per 0.1 s.',
  ),
  friend(
    'custom-cutoff',
    'A custom cutoff is often the whole pack',
    ['cutoff'],
    ['cutoff', 'cut-off', 'cut off', 'lvc', 'voltage protection'],
    'Among stops in volts per cell, “custom” is often the pack total. 6.4 V on four cells is 1.6 V per cell and destroys them. State for each stop whether it counts a cell or the pack.',
  ),
  friend(
    'cell-count',
    'Cell count as information and as a switch',
    ['cellCount', 'cutoff'],
    ['cell'],
    'On some ESCs the cell count is only information. On others, choosing a count switches the cutoff on.',
  ),
  friend(
    'none-stop',
    'Stop 1 may be none',
    ['dragBrake', 'launchLimit', 'startForce', 'propellerBrake'],
    [],
    'Level 1 may be none, and stop 1 may be 0 %. Lists are uneven: an eight-stop list with 45 % as its 6th may end at 100 %. Copy the list; never fill it in by rule.',
  ),
  friend(
    'same-number',
    'The same stop number on another ESC',
    ['runningMode'],
    ['running mode', 'run mode', 'drive mode', 'mode'],
    'Running mode 2 has reverse on one ESC and none on another. Copy meanings, never numbers.',
  ),
  friend(
    'initial-brake',
    'Initial brake',
    ['initialBrake', 'dragBrake'],
    ['initial'],
    'One name for three things: a share, “same as drag”, or the brake at the first touch of the trigger.',
  ),
  friend(
    'zero-throttle',
    'Three things at zero throttle',
    ['propellerBrake', 'freewheel', 'dragBrake'],
    ['brake on stop', 'damped', 'drag', 'stop brake'],
    'Propeller brake, damped switching and drag brake all act with the throttle closed. “Non-damped off” means that braking is on.',
  ),
  friend(
    'freewheel',
    'Freewheel',
    ['freewheel', 'dragRamp'],
    ['freewheel', 'free wheel', 'drag rate', 'brake rate', 'ramp'],
    'Some mean rolling free, some creeping down slopes. A “fast” drag ramp is gentle on one ESC and an instant lock on another. Think in on or off, and in seconds.',
  ),
  friend(
    'start',
    'Five things called start',
    ['startPower', 'startForce', 'startAcceleration', 'softStart', 'response'],
    ['start', 'startup', 'response', 'acceleration'],
    'Start power is headroom. Start force is the least kick. Start-up mode or acceleration is a time. Soft start is the first spool-up. Response is how it follows while running.',
  ),
  friend(
    'torque',
    'Torque level and torque limit',
    ['torqueLimit', 'launchStrength', 'currentLimit'],
    ['torque'],
    'A torque level hits harder with more; a torque limit is a ceiling that changes nothing below it.',
  ),
  friend(
    'direction',
    'Rotation and reverse, motor type and running mode',
    ['rotation', 'reverseEntry', 'motorType', 'runningMode'],
    ['direction', 'rotation', 'reverse', 'motor type', 'drive mode', 'motor mode'],
    'Motor rotation sets which way forward is; reverse is a way of driving. Motor type sets how the rotor is sensed; running mode sets what the trigger does.',
  ),
  friend(
    'advance',
    'Four kinds of timing',
    ['advance', 'boost', 'turbo', 'earlySoftening'],
    ['timing', 'advance'],
    'The ESC’s advance is electrical. The ring on the motor’s end bell is mechanical and adds to it. Boost and turbo add to both. Four electrical degrees are two mechanical degrees on a four-pole motor.',
  ),
  friend(
    'deadband',
    'Deadband: one side, both, per cent, levels',
    ['deadband'],
    ['deadband', 'dead band', 'neutral', 'deadzone'],
    'A deadband of 0.1 ms on a 0.5 ms half stroke is 20 % per side, or 10 % in all. State which.',
  ),
  friend(
    'temperature-unit',
    '°C or °F',
    ['escTemperatureLimit', 'motorTemperatureLimit', 'temperatureAlarm'],
    ['temperature', 'temp', 'thermal'],
    'A manual without a unit may mean either: 105 is Celsius, 221 is Fahrenheit.',
  ),
];

/** What is easily mixed up with this setting. */
export const falseFriendsOf = (setting: SettingId): FalseFriend[] =>
  FALSE_FRIENDS.filter(({ settings }) => settings.includes(setting));

/** The friends that a printed name brings to mind. */
export function falseFriendsIn(printedName: string): FalseFriend[] {
  const name = printedName.toLowerCase();
  return FALSE_FRIENDS.filter(({ words }) => words.some((word) => name.includes(word)));
}
