/** Views that say more than a run: heat against drive frequency, advance against rpm. */
import { rpmOf } from '../../units/convert';
import { totalAdvance, type EscBehaviour } from '../escChain';
import { driveFlow, newFlow, PROVEN_ADVANCE } from '../motor';
import { driveAt, newDrive, bridgeSettingOf } from '../bridge';
import { number, TRACE_POINTS, type Drill } from './drill';
import type { ResolvedRig } from '../resolved';

const LEAST_KILOHERTZ = 2;
const MOST_KILOHERTZ = 64;
/** Part throttle, at which a bridge is hottest for what it gives. */
const HALF_DUTY = 0.5;
/** Share of the no-load speed at half duty at which a model under load turns. Assumed. */
const LOADED_SHARE = 0.88;

/** Heat of motor and ESC at half throttle under load, over the drive frequency. */
export function heatMap(rig: ResolvedRig, esc: EscBehaviour): Drill {
  const shaft = (LOADED_SHARE * HALF_DUTY * rig.openVolts) / rig.motor.constant;
  const bridge = bridgeSettingOf(rig, esc);
  const flow = newFlow();
  const drive = newDrive();
  const at = (kilohertz: number) => {
    driveAt(bridge, HALF_DUTY, HALF_DUTY, shaft, 0, drive);
    drive.frequencyHz = kilohertz * 1000;
    driveFlow(rig.motor, 1, drive, shaft, rig.openVolts, rig.packOhm, flow);
    return { both: flow.windingWatts + flow.escWatts, esc: flow.escWatts };
  };
  const points = Array.from({ length: TRACE_POINTS + 1 }, (_, n) => {
    const x = LEAST_KILOHERTZ * (MOST_KILOHERTZ / LEAST_KILOHERTZ) ** (n / TRACE_POINTS);
    return { x, y: at(x).both };
  });
  const least = points.reduce((best, point) => (point.y < best.y ? point : best));
  const now = at(esc.driveFrequencyHz / 1000);
  return {
    xLabel: 'drive frequency, kHz',
    yLabel: 'heat at half throttle, W',
    points,
    numbers: [
      number(
        'now',
        `Heat at ${Math.round(esc.driveFrequencyHz / 100) / 10} kHz`,
        now.both,
        'W',
        1,
        'cooler',
        'hotter',
      ),
      number('esc', 'Of that in the ESC', now.esc, 'W', 1, 'cooler', 'hotter'),
      number('leastAt', 'Least heat near', least.x, 'kHz', 0, 'lower', 'higher'),
      number('least', 'That would be', least.y, 'W', 1, 'cooler', 'hotter'),
    ],
  };
}

const MOST_RPM_SHARE = 1.4;

/** How long turbo is looked at, s. */
const TURBO_DRAWN_S = 1;

/** Total advance over rpm, over throttle and over the time at full; degrees are electrical. */
export function advanceMap(rig: ResolvedRig, esc: EscBehaviour): Drill {
  const noLoad = rpmOf(rig.openVolts / rig.motor.constant);
  const complete = esc.advance.turboDelayS + 60;
  const at = (rpm: number, sinceS: number, signal = esc.forwardSignal): number =>
    rig.endBellDegrees + totalAdvance(esc.advance, rpm, signal, sinceS);
  const over = (upTo: number, value: (x: number) => number) =>
    Array.from({ length: TRACE_POINTS + 1 }, (_, n) => {
      const x = (upTo * n) / TRACE_POINTS;
      return { x, y: value(x) };
    });
  const most = MOST_RPM_SHARE * noLoad;
  const points = over(most / 1000, (thousands) => at(1000 * thousands, complete));
  const highest = Math.max(...points.map(({ y }) => y));
  const proven = (PROVEN_ADVANCE * 180) / Math.PI;
  return {
    xLabel: 'thousand rpm',
    yLabel: 'total advance at full throttle, °',
    points,
    more: [
      {
        xLabel: 'throttle, %',
        yLabel: 'total advance at no-load rpm, °',
        points: over(100, (percent) => at(noLoad, complete, (percent / 100) * esc.forwardSignal)),
      },
      {
        xLabel: 'seconds of full throttle',
        yLabel: 'total advance at no-load rpm, °',
        points: over(TURBO_DRAWN_S, (sinceS) => at(noLoad, sinceS)),
      },
    ],
    mark: { y: proven, label: 'prediction proven to here' },
    numbers: [
      number('low', 'At a fifth of no-load rpm', at(0.2 * noLoad, complete), '°', 1, 'less', 'more'),
      number('high', 'At no-load rpm', at(noLoad, complete), '°', 1, 'less', 'more'),
      number('before', 'Full throttle before turbo', at(noLoad, 0), '°', 1, 'less', 'more'),
      number(
        'beyond',
        'Beyond the proven range by',
        Math.max(0, highest - proven),
        '°',
        1,
        'more certain',
        'less certain',
      ),
      number('angular', 'Boost, a thousand rpm', slopeOf(esc), '°', 1, 'gentler', 'steeper'),
    ],
  };
}

function slopeOf({ advance }: EscBehaviour): number {
  const span = advance.boostEndRpm - advance.boostStartRpm;
  return span > 0 ? (advance.boost * 1000) / span : 0;
}
