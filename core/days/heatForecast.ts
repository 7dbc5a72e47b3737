/** What the model says of a heat: whether the pack lasts, how hot it gets, how low the cells go. */
import { fittingSetUp, type SetUp } from '../setUps/setUp';
import { withShelfPack } from '../packs/intoModel';
import type { PackLife } from '../packs/shelfPack';
import { drivenFor } from '../physics/drills/stint';
import { drivenOn, type OnRig } from '../runs/predicted';
import type { StopByItem } from '../esc/profile';

export interface HeatAsked {
  on: OnRig;
  /** What the ESC is believed to hold. */
  believed: StopByItem;
  setUp: SetUp | undefined;
  pack: Pick<PackLife, 'pack' | 'entries'> | undefined;
  minutes: number;
  airCelsius: number | null;
}

export interface HeatForecast {
  lasts: boolean;
  /** How long it runs, minutes: to its end, to the cutoff, or until heat stops it. */
  runs: number;
  /** Of the pack's capacity. */
  usedShare: number;
  canCelsius: number;
  escCelsius: number;
  lowestCellVolts: number;
}

/** Shorter by less than this it lasts: a heat is driven to the end of the lap. Minutes. */
const NEARLY = 0.05;

/** @throws {Error} where the rig cannot be driven */
export function heatForecast({ on, believed, setUp, pack, minutes, airCelsius }: HeatAsked): HeatForecast {
  const rig = pack ? withShelfPack(on.rig, pack) : on.rig;
  const stops = { ...believed, ...(setUp ? fittingSetUp(on.profile, setUp).stops : {}) };
  const { resolved, esc } = drivenOn({ ...on, rig }, { byHand: setUp?.byHand ?? {}, airCelsius }, stops);
  const { numbers } = drivenFor(resolved, esc, minutes);
  const of = (id: string): number => {
    const value = numbers.find((one) => one.id === id)?.value;
    if (value === undefined) throw new Error(`a heat does not tell its ${id}`);
    return value;
  };
  const runs = of('runs');
  return {
    lasts: runs >= minutes - NEARLY,
    runs,
    usedShare: of('used') / (1000 * resolved.capacityAh),
    canCelsius: of('can'),
    escCelsius: of('esc'),
    lowestCellVolts: of('lowestCell'),
  };
}
