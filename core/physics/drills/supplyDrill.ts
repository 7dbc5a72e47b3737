/** All servos worked at once. */
import type { EscBehaviour } from '../escChain';
import { BROWN_OUT_VOLTS, SLAM_S, slamAt } from '../supplyBus';
import { number, TRACE_POINTS, type Drill } from './drill';
import type { ResolvedRig } from '../resolved';

/** Phases begin and end on these, s; between them nothing changes but the burst that is over. */
const FINE_S = 0.005;

/** The bus while everything starts, pushes against a stop and moves. */
export function supply(rig: ResolvedRig, esc: EscBehaviour): Drill {
  const setVolts = rig.bus.externalVolts ?? esc.becVolts;
  const at = (timeS: number) => slamAt(rig.bus, setVolts, timeS);
  const all = Array.from({ length: Math.round(SLAM_S / FINE_S) }, (_, n) => at(n * FINE_S));
  const lowest = Math.min(...all.map(({ volts }) => volts));
  const most = Math.max(...all.map(({ amps }) => amps));
  const atRiskS = all.filter(({ volts }) => volts < BROWN_OUT_VOLTS).length * FINE_S;
  const { continuousAmps, movingAmps } = rig.bus;
  return {
    xLabel: 's',
    yLabel: 'bus, V',
    points: Array.from({ length: TRACE_POINTS + 1 }, (_, n) => {
      const x = (SLAM_S * n) / TRACE_POINTS;
      return { x, y: at(x).volts };
    }),
    mark: { y: BROWN_OUT_VOLTS, label: 'many receivers fail' },
    numbers: [
      number('lowest', 'Lowest bus voltage', lowest, 'V', 2, 'deeper sag', 'holds better'),
      number('sag', 'Sags by', setVolts - lowest, 'V', 2, 'holds better', 'deeper sag'),
      number('most', 'Most current', most, 'A', 1, 'easier', 'harder'),
      number(
        'headroom',
        'Spare current while all move',
        continuousAmps > 0
          ? (100 * (continuousAmps - (movingAmps * setVolts) / 6)) / continuousAmps
          : undefined,
        '%',
        0,
        'tighter',
        'more room',
      ),
      number('atRisk', 'Below the receiver’s limit', atRiskS, 's', 2, 'safer', 'browns out'),
    ],
  };
}
