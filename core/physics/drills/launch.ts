/** The launch: a car from rest with the trigger pulled at once. */
import { kmPerHour } from '../../units/convert';
import type { EscBehaviour } from '../escChain';
import { dutyOf } from '../triggerChain';
import { noExtremes, noteExtremes } from '../extreme';
import { stalled } from '../motor';
import { finely, bridgeSettingOf, startLimitOf } from '../bridge';
import type { Mark } from '../powerTrain';
import { AT, SIZE, startState } from '../car';
import { runWheels } from '../wheels';
import { number, TRACE_POINTS, type Drill } from './drill';
import { drawOver } from './trace';
import type { ResolvedWheels } from '../resolved';
import { pull } from './wheelParts';

const LAUNCH_LONGEST_S = 12;
const LAUNCH_DRAWN_S = 3;
const FAR_M = 20;

/** From rest with the trigger pulled at once. */
export function launch(rig: ResolvedWheels, esc: EscBehaviour): Drill {
  const at = (metres: number): Mark => ({ value: (state) => state[AT.distance]! - metres, ends: false });
  // Drawn to its end even where the twenty metres are over before.
  const end: Mark = {
    value: (state, t) => Math.min(state[AT.distance]! - FAR_M - 0.01, t - LAUNCH_DRAWN_S),
    ends: true,
  };
  const cutoff: Mark = { value: (y) => y[AT.seenCell]! - esc.cutoffVoltsPerCell, ends: false };
  const y = startState(rig, 0);
  const pack = noExtremes();
  const amps = noExtremes();
  const force = noExtremes();
  const trace = drawOver(LAUNCH_DRAWN_S, TRACE_POINTS, SIZE, (state) => kmPerHour(state[AT.speed]!));
  const probe = new Float64Array(SIZE);
  let spun: { car: number; tyre: number } | undefined;
  const whole = pull(esc, LAUNCH_LONGEST_S);
  const run = runWheels(finely(rig), bridgeSettingOf(rig, esc), [whole], y, {
    marks: [at(5), at(FAR_M), cutoff, end],
    visit: (step, momentAt) => {
      trace.visit(step);
      step.at(step.t1, probe);
      if (probe[AT.distance]! >= FAR_M - 1e-9)
        spun ??= { car: probe[AT.distance]!, tyre: probe[AT.tyreDistance]! };
      noteExtremes(pack, step, (t) => momentAt(step, t).packVolts);
      noteExtremes(amps, step, (t) => momentAt(step, t).packAmps);
      noteExtremes(force, step, (t) => momentAt(step, t).tyreForce);
    },
  });
  const [at5, at20, cutoffS] = run.markTimes;
  spun ??= { car: y[AT.distance]!, tyre: y[AT.tyreDistance]! };
  trace.fill(kmPerHour(y[AT.speed]!));
  const honest = stalled(
    rig.motor,
    Math.min(esc.launchDuty, dutyOf(esc, esc.forwardSignal)),
    startLimitOf(rig, esc),
    rig.openVolts,
    rig.packOhm,
  );
  return {
    xLabel: 's',
    yLabel: 'speed, km/h',
    points: trace.points,
    numbers: [
      number('to5', 'First 5 m', at5, 's', 2, 'quicker', 'slower'),
      number('to20', 'First 20 m', at20, 's', 2, 'quicker', 'slower'),
      number(
        'wheelspin',
        'Lost to wheel spin',
        spun.tyre > 0 ? 100 * Math.max(0, 1 - spun.car / spun.tyre) : 0,
        '%',
        0,
        'calmer',
        'wilder',
      ),
      number('peakPack', 'Peak pack current', amps.most, 'A', 0, 'cooler', 'hotter'),
      number('lowestCell', 'Lowest cell voltage', pack.least / rig.cells, 'V', 2, 'deeper sag', 'less sag'),
      number(
        'peakTorque',
        'Peak torque at the wheels',
        force.most * rig.wheelRadiusM,
        'N·m',
        2,
        'gentler',
        'harsher',
      ),
      number(
        'stalled',
        'Pack volts, wheels stalled',
        honest.packVolts,
        'V',
        1,
        'sags deeper',
        'holds better',
      ),
      number(
        'cutoffAt',
        'Cutoff acts after',
        esc.cutoffVoltsPerCell > 0 ? cutoffS : undefined,
        's',
        2,
        'sooner',
        'later',
      ),
    ],
  };
}
