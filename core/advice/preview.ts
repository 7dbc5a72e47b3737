/** What a move would do, before it is made. */
import type { StopByItem } from '../esc/profile';
import { escBehaviour } from '../physics/escChain';
import type { DrillNumber } from '../physics/drills/drill';
import { drillNumbers, type DrillId } from '../physics/drills/runDrill';
import { resolveRig } from '../rig/resolve';
import type { VehicleKind } from '../rig/rig';
import type { MomentId } from '../settings/moments';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import type { Situation, Verdict } from './verdicts/verdict';
import { verdictsOn } from './verdicts/verdictsOn';

export interface Changed {
  before: DrillNumber;
  after: DrillNumber;
}

export interface Preview {
  /** The drill that tells. */
  drill: DrillId;
  /** Numbers of the telling drill that it moves. */
  changed: Changed[];
  /** What would be said then and is not now. */
  raised: Verdict[];
}

/** @param setting what is moved: it decides which drill tells */
export function previewOf(situation: Situation, setting: SettingId, moves: StopByItem): Preview {
  const { rig, profile, range, stops, goals } = situation;
  const moved = { ...stops, ...moves };
  const resolved = resolveRig(rig, profile, goals.use);
  const drill = tellingDrill(setting, rig.vehicle.kind);
  const told = (set: StopByItem): readonly DrillNumber[] =>
    drillNumbers(drill, resolved, escBehaviour(profile, set, rig.channel, range, rig.pack.cells));
  const now = new Set(verdictsOn(situation).map(({ id }) => id));
  return {
    drill,
    changed: changedNumbers(told(stops), told(moved)),
    raised: verdictsOn({ ...situation, stops: moved }).filter(({ id }) => !now.has(id)),
  };
}

/** The numbers that differ as they are shown, those that moved most for their size first. */
export function changedNumbers(before: readonly DrillNumber[], after: readonly DrillNumber[]): Changed[] {
  const size = ({ before: from, after: to }: Changed): number =>
    from.value === undefined || to.value === undefined
      ? Infinity
      : Math.abs(to.value - from.value) / Math.max(Math.abs(from.value), Math.abs(to.value), 1e-9);
  return after
    .flatMap((to) => {
      const from = before.find(({ id }) => id === to.id) ?? { ...to, value: undefined };
      return shown(from) === shown(to) ? [] : [{ before: from, after: to }];
    })
    .toSorted((a, b) => size(b) - size(a));
}

const shown = ({ value, decimals }: DrillNumber): string => value?.toFixed(decimals) ?? 'never';

const TELLING: Record<MomentId, Record<VehicleKind, DrillId>> = {
  pullAway: { wheels: 'launch', propeller: 'spoolUp' },
  midPull: { wheels: 'sweep', propeller: 'sweep' },
  flatOut: { wheels: 'topSpeed', propeller: 'throttle' },
  letGo: { wheels: 'letGo', propeller: 'cut' },
  brake: { wheels: 'brake', propeller: 'cut' },
  backUp: { wheels: 'backUp', propeller: 'cut' },
  supply: { wheels: 'stint', propeller: 'stint' },
  guard: { wheels: 'stint', propeller: 'stint' },
  sounds: { wheels: 'launch', propeller: 'spoolUp' },
  rest: { wheels: 'launch', propeller: 'spoolUp' },
};

/** The drill in which a setting is felt. */
export const tellingDrill = (setting: SettingId, kind: VehicleKind): DrillId =>
  setting === 'becVolts' ? 'supply' : TELLING[VOCABULARY[setting].moment][kind];
