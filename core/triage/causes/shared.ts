/** Causes and evidence that several troubles have in common. */
import { FULL_SIGNAL } from '../../radio/pulse';
import { formatNumber, withUnit } from '../../units/format';
import type { CauseRule } from '../cause';
import { atLeast, drilled, either, said, type Evidence } from '../seen';

/** Below this a lithium cell under load is near to cutoffs and brown-outs, V. From memory. */
export const SAGGED_VOLTS = 3.2;

export const radioFallsShort: Evidence = ({ forwardSignal }) =>
  forwardSignal < FULL_SIGNAL
    ? `As noted, the radio reaches ${formatNumber(forwardSignal * 100, 0)} % of what the ESC has learned as full.`
    : undefined;

export const cellsSag: Evidence = (seen) => {
  const drill = seen.resolved.kind === 'wheels' ? 'launch' : 'spoolUp';
  const volts = drilled(seen, drill, 'lowestCell');
  return volts !== undefined && volts < SAGGED_VOLTS
    ? `Predicted: a hard pull takes the cells of this pack to ${withUnit(volts, 'V', 2)}.`
    : undefined;
};

export const NOT_FULL: CauseRule = {
  id: 'radioNotFull',
  what: 'The radio does not quite reach full throttle',
  evidence: either(said('turboNeverStarts'), radioFallsShort),
  says: { radio: ['less'] },
  try: { kind: 'station', station: 'endpoints', words: 'Calibrate again, with all end points at 100 %' },
  lookFor: 'The lamp or note for full throttle comes every time.',
};

export const LAUNCH_TOO_STRONG: CauseRule = {
  id: 'launchStrong',
  what: 'The launch is too hard for the grip',
  evidence: atLeast('launchStrength', 300, 'Launch strength is set to # %/s.'),
  says: { when: ['start'] },
  try: { kind: 'step', setting: 'launchStrength', by: -1 },
  tells: ['launch', 'wheelspin'],
  lookFor: 'It hooks up. It is often faster to the first corner, too.',
};
