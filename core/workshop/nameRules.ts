/**
 * How manuals name things, written by hand from the trade's general vocabulary. A rule accounts for every word of a name:
 * `word` must stand there, `word?` may, `a/b` is either, in any order; words in capitals are the groups below. A rule that
 * names one setting says what the name is; one that lists settings says what to ask. A comma parts names.
 */
import type { SettingId } from '../settings/vocabulary';

/** Words that one rule after the other needs. */
export const WORD_GROUPS = {
  /** How much. */
  AMOUNT: ['force', 'strength', 'power', 'level', 'percent', 'amount', 'intensity', 'max'],
  /** An angle. */
  ANGLE: ['timing', 'advance', 'angle', 'degree', 'amount', 'level', 'max'],
  LENGTH: ['time', 'duration', 'delay'],
  SLOPE: ['rate', 'ramp', 'slope', 'speed'],
  KIND: ['type', 'mode', 'method', 'style', 'kind'],
  VOLTS: ['volt', 'threshold', 'level', 'point'],
  WAY: ['mode', 'type', 'control', 'operation'],
} as const satisfies Record<string, readonly string[]>;

type Rule = readonly [settings: SettingId | readonly SettingId[], names: string];

export const NAME_RULES: readonly Rule[] = [
  // Pull away.
  ['launchStrength', 'punch AMOUNT?, punch rate, punch throttle, launch strength/force/power'],
  ['launchLimit', 'punch limit AMOUNT?, punch limiter/reduction, launch limit/limiter AMOUNT?'],
  [['launchStrength', 'launchLimit'], 'punch control AMOUNT?, launch control AMOUNT?, punch mode'],
  [['launchStrength', 'startPower', 'startForce'], 'start punch AMOUNT?'],
  [['launchStrength', 'startAcceleration', 'response'], 'acceleration AMOUNT?, acceleration rate/speed/mode'],
  ['startPower', 'start power AMOUNT?, start torque AMOUNT?, start power limit, motor start power'],
  ['startForce', 'start force, initial throttle, min throttle/start/output, min start power/force'],
  [
    ['startPower', 'startForce'],
    'start strength/level/amount, initial power/speed/force/output, start speed',
  ],
  ['torqueLimit', 'torque limit/limiter AMOUNT?, torque max, torque limit motor'],
  [['torqueLimit', 'launchStrength'], 'torque level?, torque control/strength/power'],
  ['currentLimit', 'current/amp limit/limiter AMOUNT?, current/amp max, motor current limit'],
  ['softStart', 'soft start, soft start time/duration, spoolup time/duration?'],
  [['softStart', 'startPower'], 'soft start AMOUNT, soft start rate/speed, spoolup rate/speed'],
  ['startAcceleration', 'start acceleration time?, acceleration time start'],
  [['startAcceleration', 'softStart', 'startPower'], 'start mode/type, start rate/ramp, start'],
  [['startAcceleration', 'softStart', 'armingTime'], 'start time/delay'],
  [
    'response',
    `throttle response, throttle response time/speed/rate?, response time/speed?,
    motor response`,
  ],
  [['response', 'startAcceleration'], 'acceleration time, throttle ramp/rate, throttle ramp up'],
  [
    'earlySoftening',
    `softening ANGLE?, soft timing, initial/early/start softening ANGLE?,
    softening timing value`,
  ],
  ['earlySofteningUntil', 'softening range/end/until throttle?, softening throttle'],
  [
    'deadband',
    `deadband AMOUNT?, neutral deadband, deadband range/width/size, neutral range/width/zone,
    throttle deadband, throttle neutral width/range`,
  ],
  [['deadband'], 'neutral'],
  ['armingTime', 'arming, arming time, arming delay, arm time/delay'],
  [['armingTime'], 'poweron delay/time, arming mode'],
  // Mid pull.
  ['throttleCurve', 'throttle/forward curve/linearity/expo, linearity'],
  [
    ['throttleCurve'],
    'compression, throttle compression, throttle profile, throttle feel, throttle curve KIND',
  ],
  [['throttleCurve', 'brakeCurve'], 'curve/expo'],
  [
    'driveFrequency',
    `pwm, pwm freq/rate, drive/motor/switching/throttle/forward freq/pwm,
    drive/motor/switching/throttle/forward pwm freq/rate, carrier freq?, drive switching freq,
    motor switching freq`,
  ],
  [['driveFrequency', 'brakeFrequency'], 'freq, pwm KIND'],
  [
    'forwardPower',
    `max forward, max forward power/force/speed/throttle/output/percent, forward power,
    power max, power/throttle limit, max throttle/output/speed, forward power/force limit,
    forward max power level`,
  ],
  [['forwardPower', 'torqueLimit'], 'power level?, speed limit, output limit'],
  // Flat out.
  [
    'advance',
    `timing, advance, timing advance AMOUNT?, motor/esc/base/static/electrical timing/advance,
    motor/base/esc timing advance, advance/timing angle/degree, timing angle degree,
    lead angle, timing level/amount/value`,
  ],
  [['advance', 'boost', 'turbo'], 'dynamic timing, timing KIND, timing max, total timing'],
  ['boost', 'boost ANGLE?, boost timing ANGLE'],
  ['boostStart', 'boost start/begin/from rpm, boost rpm start point?'],
  [['boostStart', 'boostFromThrottle'], 'boost start/begin/from, boost start point'],
  ['boostFromThrottle', 'boost start/begin/from throttle, boost throttle start AMOUNT?'],
  ['boostEnd', 'boost end/complete/full/stop rpm'],
  [['boostEnd'], 'boost end/complete/full/stop, boost rpm, boost slope/ramp/rate, boost range'],
  [
    ['boostActivation', 'boostFromThrottle', 'boostStart'],
    'boost trigger/activation/threshold, boost throttle, boost KIND, boost control',
  ],
  ['boostActivation', 'boost activation/control method/mode/type, boost activation by'],
  [['boostStart', 'boostEnd', 'governorRpm'], 'rpm start, rpm end, rpm'],
  ['turbo', 'turbo ANGLE?, turbo timing ANGLE, top end assist'],
  [
    'turboFrom',
    `turbo start/begin/from/threshold throttle, turbo throttle AMOUNT,
    turbo throttle start/threshold percent`,
  ],
  [
    ['turboFrom', 'turboActivation', 'turboDelay'],
    `turbo start/begin/from, turbo trigger/activation/threshold, turbo throttle,
    turbo start rpm, turbo rpm`,
  ],
  ['turboActivation', 'turbo activation/control method/mode/type'],
  [['turboActivation', 'turbo'], 'turbo KIND, turbo control'],
  ['turboDelay', 'turbo delay time?, turbo start delay time?, turbo activation delay, turbo engage/on delay'],
  ['turboOnRate', 'turbo on/engage/increase/in/up SLOPE, turbo ramp up rate?, turbo timing on SLOPE'],
  [
    'turboOffRate',
    `turbo off/release/disengage/decrease/decay/out/down SLOPE, turbo ramp down rate?,
    turbo timing off SLOPE`,
  ],
  [['turboOnRate', 'turboOffRate'], 'turbo SLOPE, turbo slope/ramp rate, turbo on, turbo off, turbo release'],
  ['motorType', 'motor type, sensor mode/type, commutation KIND?, motor sensor mode/type'],
  [['motorType', 'rotation', 'runningMode'], 'motor mode, sensor, motor'],
  [['runningMode', 'motorType'], 'drive mode/type'],
  [
    'rotation',
    `rotation, motor rotation/direction, rotation direction, motor rotation direction,
    spin direction?, direction, rotation reverse, motor spin direction`,
  ],
  [
    ['rotation', 'runningMode'],
    'motor reverse, direction mode, bidirectional, bidirectional mode, bidirectional rotation',
  ],
  ['governor', 'governor, governor mode/type, governor function mode'],
  [
    'governorRpm',
    `governor rpm/speed, headspeed, target rpm, headspeed target/rpm, governor target rpm,
    target headspeed`,
  ],
  [['governor', 'governorRpm'], 'speed control, rpm control, governor level'],
  [
    'polePairs',
    `pole pair, number pole pair, pole pair count, motor pole pair count/number?, pole,
    pole count/number, motor pole count/number?, motor magnet pole count/number?,
    magnet count/number`,
  ],
  // Let go.
  [
    'freewheel',
    `freewheel mode?, active freewheel mode?, damped mode/switching?, damping,
    damping mode, active damping, syncrect, active rectification`,
  ],
  ['dragBrake', 'drag brake? AMOUNT?, drag brake max AMOUNT, neutral/auto brake AMOUNT?'],
  [['dragBrake'], 'parking/hold/hill brake, idle brake AMOUNT?, drag brake KIND'],
  ['dragRamp', 'drag brake? SLOPE, drag brake ramp rate/speed/time, neutral/auto brake SLOPE'],
  [['dragRamp'], 'drag brake? time/delay, drag brake response, drag brake curve'],
  [['dragRamp', 'brakeCurve'], 'brake rate/ramp/slope, brake ramp rate, brake speed'],
  ['dragWhileEasing', 'liftoff/easeoff brake AMOUNT?, drag while ease, drag while easing off?'],
  [['dragWhileEasing', 'dragBrake'], 'engine/coast brake AMOUNT?'],
  ['coastAssist', 'coast assist AMOUNT?, coast AMOUNT?'],
  [['coastAssist', 'freewheel'], 'rolling, rolling assist, glide'],
  ['propellerBrake', 'prop brake AMOUNT?, stop prop brake?, prop stop brake AMOUNT?'],
  [
    ['propellerBrake', 'dragBrake'],
    'brake stop on?, stop brake AMOUNT, motor stop brake, motor brake AMOUNT?',
  ],
  // Brake.
  [
    'brakeStrength',
    `max brake, max brake force/strength/power/level/percent/amount, full brake AMOUNT?,
    brake limit max?, max brake power level`,
  ],
  [
    ['brakeStrength', 'propellerBrake'],
    `brake force/strength/power/level/percent/amount/intensity,
    brake power/force level/percent/amount`,
  ],
  [['brakeStrength', 'dragBrake', 'propellerBrake'], 'brake, brake function, brake control'],
  ['initialBrake', 'initial/first brake AMOUNT?, initial brake force level/percent'],
  [['initialBrake', 'brakeMinimum'], 'brake start AMOUNT?, min initial brake AMOUNT?'],
  ['brakeMinimum', 'min brake AMOUNT?'],
  ['brakeCurve', 'brake curve/linearity/expo'],
  [['brakeCurve', 'brakeLaw'], 'brake feel/response/profile, brake curve KIND'],
  ['brakeFrequency', 'brake freq/pwm, brake pwm/switching freq/rate'],
  [['brakeFrequency'], 'drag brake freq/pwm'],
  ['lowSpeedBrake', 'low speed brake assist? AMOUNT?, low speed assist brake?, brake assist AMOUNT?'],
  ['brakeLaw', 'brake law/mapping'],
  [['brakeLaw', 'dragBrake', 'propellerBrake', 'freewheel'], 'brake KIND'],
  // Back up.
  [
    'runningMode',
    `running/run mode, drive running mode, forward reverse mode, forward brake reverse mode?,
    forward reverse brake mode`,
  ],
  [
    ['runningMode'],
    'driving/operating/operation mode, vehicle mode/type, mode, application mode?, model type',
  ],
  ['reverseEntry', 'reverse entry KIND?, reverse engagement/engage KIND?'],
  [
    ['reverseEntry', 'runningMode', 'rotation'],
    'reverse KIND, reverse function, reverse enable, reverse on off?',
  ],
  [['reversePower', 'runningMode', 'reverseEntry', 'rotation'], 'reverse, reverse motor rotation?'],
  [
    'reverseDelay',
    'reverse delay time?, reverse entry/engage delay, brake reverse delay, delay reverse brake',
  ],
  [['reverseDelay'], 'reverse time, brake reverse time'],
  [
    'reversePower',
    `reverse force/power/strength/percent/amount/limit/output,
    reverse throttle percent/limit/max, max reverse,
    max reverse force/power/speed/throttle/output/percent/strength, reverse speed limit?,
    reverse power level/limit/percent, max reverse power level`,
  ],
  // Supply.
  [
    'cellCount',
    `cell, cell count/number, lipo/battery/pack cell count/number?, number lipo/battery cell,
    lithium cell count/number?, series cell count/number?`,
  ],
  ['chemistry', 'battery/cell/pack/accu type/chemistry, chemistry, battery cell type, battery pack type'],
  [['chemistry', 'cellCount', 'cutoff'], 'battery/pack/lipo, battery mode, battery selection'],
  [
    ['cutoff', 'cutoffAction'],
    `cutoff, low volt cutoff, low volt protection, volt/battery/lipo protection,
    low battery cutoff/protection, battery/lipo/lithium cutoff, undervolt protection, low volt,
    lipo low volt protection/cutoff, battery low volt protection/cutoff`,
  ],
  [
    'cutoff',
    `cutoff volt, cutoff threshold, low volt cutoff threshold/level/point, volt cutoff,
    volt cutoff threshold/level, battery/lipo/lithium/cell cutoff volt,
    battery low volt cutoff threshold/level, cutoff VOLTS volt,
    low volt protection threshold/point, cutoff volt cell/pack, low volt cutoff cell,
    custom cutoff volt?, protection volt, lithium/lipo cutoff volt cell?`,
  ],
  [['cutoff'], 'volt limit/threshold/level?, cutoff level/point'],
  [
    'cutoffAction',
    `cutoff KIND, cutoff action, low volt cutoff KIND, low volt cutoff action,
    battery/lipo cutoff KIND, low volt protection action/KIND, volt protection action/KIND,
    volt cutoff KIND, volt cutoff action, protection action cutoff, battery protection action`,
  ],
  [
    ['cutoffAction', 'cutoff'],
    'protection, protection mode/type/method, battery protection mode/type, power cutoff',
  ],
  [
    'cutoffReturn',
    `cutoff return, low volt cutoff return, cutoff return mode, power return, volt return,
    low volt return, power return cutoff after`,
  ],
  [['cutoffReturn'], 'return, auto return'],
  [
    'becVolts',
    `bec VOLTS?, bec output volt?, receiver/servo volt, bec servo/receiver volt?,
    receiver supply volt?, bec volt output level`,
  ],
  [['becVolts'], 'bec mode, output volt, servo power'],
  ['fan', 'fan WAY?, cooling fan WAY?'],
  // Guard.
  [
    'escTemperatureLimit',
    `esc temp limit/protection/cutoff/shutdown, esc temp protection limit/threshold/point,
    esc temp, esc temp cutoff/limit threshold, controller temp limit/protection/cutoff?`,
  ],
  [
    'motorTemperatureLimit',
    `motor temp limit/protection/cutoff/shutdown, motor temp protection limit/threshold/point,
    motor temp, motor temp cutoff/limit threshold`,
  ],
  [
    ['escTemperatureLimit', 'motorTemperatureLimit'],
    `temp, temp limit/protection/cutoff/shutdown/threshold,
    temp protection threshold/limit/point/level, temp limit cutoff`,
  ],
  [
    'currentProtection',
    `current protection, overcurrent protection?, overcurrent cutoff/shutdown,
    current protection mode`,
  ],
  [
    'signalLossAction',
    `signal loss, signal loss action/mode/protection/behavior, loss signal protection, failsafe,
    failsafe action/mode/behavior, throttle signal loss protection/action?,
    signal loss failsafe action?`,
  ],
  ['signalLossDelay', 'signal loss delay, failsafe delay, signal loss protection delay'],
  [['signalLossDelay'], 'failsafe time, signal loss time'],
  [
    'calibrationLock',
    `calibration lock, throttle calibration lock?, endpoint calibration/lock,
    range calibration lock?, throttle range calibration lock?, calibration enable,
    endpoint calibration lock`,
  ],
  [['calibrationLock'], 'calibration, calibration mode, throttle range'],
  [
    'remotePowerOff',
    `remote power? off, remote switch/shutdown off?, power off radio/remote,
    switch off radio/remote, radio power/switch off, remote power`,
  ],
  // Sounds and records, and what else hangs on it.
  ['startVolume', 'start volume, beep/tone/sound volume, volume, start beep/tone volume, motor beep volume'],
  ['beaconVolume', 'beacon volume/strength/power/level'],
  ['beaconDelay', 'beacon delay/time, beacon delay time'],
  [
    ['beaconVolume', 'beaconDelay', 'idleBeeps'],
    'beacon, lost model alarm/beacon/alert?, lost plane alarm?, beep, beep strength/level/power',
  ],
  ['idleBeeps', 'idle/standby beep/beacon/alarm, inactivity beep/alarm'],
  ['errorBeeps', 'error/warning/alarm/fault beep/tone, warning/error sound'],
  ['startTune', 'music, melody, tune, start tune/music/melody/song, music mode, poweron tune/music/melody'],
  [['startTune', 'startVolume'], 'start sound/tone/beep, sound, poweron tone/beep/sound'],
  ['dataLog', 'data log, data record, log, data log mode, log record'],
  ['telemetry', 'telemetry, telemetry output/enable/function, telemetry on off'],
  [['telemetry'], 'telemetry KIND, telemetry protocol'],
  ['temperatureAlarm', 'temp alarm/warning/alert, temp alarm threshold/limit/point'],
  [
    'auxiliaryLead',
    `aux lead/wire/cable/channel/port/input/line,
    aux lead/wire/cable/channel/port/input/line function/mode, aux function/mode?`,
  ],
];
