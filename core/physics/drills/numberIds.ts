/** Which numbers each drill answers: who speaks of one names it by this, and the compiler knows whether it exists. */
import type { DrillId } from './runDrill';

export const NUMBER_IDS = {
  launch: ['to5', 'to20', 'wheelspin', 'peakPack', 'lowestCell', 'peakTorque', 'stalled', 'cutoffAt'],
  letGo: ['slowing', 'toWalking', 'fromWalking', 'pitch', 'turboBack'],
  brake: ['stop', 'stopSlow', 'sliding', 'peakBrake', 'bite'],
  backUp: ['stands', 'backs', 'firstMetres', 'reverseTop'],
  topSpeed: ['top', 'rpm', 'amps', 'heat', 'to95'],
  sweep: ['first', 'at25', 'at50', 'at75', 'bent', 'positions'],
  slope: ['holds', 'stops', 'creep'],
  crawl: ['leastTrigger', 'leastSpeed', 'at15', 'climb', 'stutter'],
  stint: [
    'runs',
    'spare',
    'cutoff',
    'limps',
    'heatStop',
    'used',
    'perMinute',
    'tooFar',
    'lowestCell',
    'firstMinute',
    'rpm',
    'winding',
    'can',
    'esc',
    'pack',
    'speed',
  ],
  heatMap: ['now', 'esc', 'leastAt', 'least'],
  advanceMap: ['low', 'high', 'before', 'beyond', 'angular'],
  supply: ['lowest', 'sag', 'most', 'headroom', 'atRisk'],
  spoolUp: ['there', 'peakPack', 'lowestCell', 'rpm', 'stalled'],
  throttle: [
    'thrust',
    'thrustHalf',
    'pitchSpeed',
    'amps',
    'watts',
    'efficiency',
    'cell',
    'hover',
    'hoverTime',
  ],
  cut: ['stops', 'peakBrake'],
} as const satisfies Record<DrillId, readonly string[]>;

/** One number of one drill. */
export type NumberRef = {
  [D in DrillId]: readonly [drill: D, number: (typeof NUMBER_IDS)[D][number]];
}[DrillId];
