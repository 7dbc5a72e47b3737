/** What is practised on: an ESC of the garage, alone or in a rig, or one of the patterns. */
import { usualGoals, type Goals } from '#core/advice/goals';
import { ARCHETYPES } from '#core/archetypes/archetypes';
import { factoryStops, type EscProfile } from '#core/esc/profile';
import type { Surroundings } from '#core/rehearsal/makeLessons';
import { defaultRig } from '#core/rig/defaults';
import type { Rig } from '#core/rig/rig';
import type { VehicleClass } from '#core/rig/vehicleClass';
import { fittingDraft } from '#core/sheet/draft';
import { believedStops } from '#core/sheet/evidence';
import { findProfileByKey } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { data } from 'react-router';
import { benchOf, benchView } from '../bench/benchData.server';

export interface Ground {
  from: Surroundings;
  /** The model on which a slip is computed: the rig, or a usual one of its class. */
  rig: Rig;
  goals: Goals;
  /** Where a load leads that was practised; undefined where no rig was chosen. */
  rigId: string | undefined;
  /** Who the numbers of a slip belong to: "Kelp buggy", or the class. */
  modelName: string;
}

/** @throws a 404 response where neither garage nor patterns have this ESC */
export async function groundOf(profileKey: string, rigId: string | null): Promise<Ground> {
  if (rigId !== null) return ofRig(profileKey, rigId);
  const garage = await currentGarage();
  const own = await findProfileByKey(garage.id, profileKey);
  const pattern = ARCHETYPES.find(({ profile }) => profile.id === profileKey);
  const profile = own?.profile ?? pattern?.profile;
  if (!profile) throw data(null, { status: 404 });
  return withUsualRig(profile, pattern?.serves[0] ?? usualClassOf(profile));
}

async function ofRig(profileKey: string, rigId: string): Promise<Ground> {
  const bench = await benchOf(rigId);
  if (bench.profile.id !== profileKey) throw data(null, { status: 404 });
  const { rig, profile, draft, goals, holdings } = benchView(bench);
  return {
    from: {
      profile,
      channel: rig.channel,
      stops: believedStops(profile, holdings),
      cells: countable(rig.pack),
      draft: fittingDraft(profile, draft).stops,
    },
    rig,
    goals,
    rigId,
    modelName: rig.name,
  };
}

/** Only lithium polymer cells are counted by the voltage that a rehearsal goes by. */
const countable = ({ chemistry, cells }: Rig['pack']): number | undefined =>
  chemistry === 'lipo' || chemistry === 'lihv' ? cells : undefined;

/** A profile without a rig: its way of calibrating tells what it is made for. */
const usualClassOf = ({ calibration }: EscProfile): VehicleClass =>
  calibration.family === 'stickAtPowerOn' || calibration.family === 'none' ? 'sportPlane' : 'tenthBuggy';

function withUsualRig(profile: EscProfile, vehicleClass: VehicleClass): Ground {
  const usual = defaultRig(vehicleClass);
  const cells = Math.min(profile.limits.maxCells, Math.max(profile.limits.minCells, usual.pack.cells));
  return {
    from: {
      profile,
      channel: usual.channel,
      stops: factoryStops(profile),
      cells: countable({ ...usual.pack, cells }),
      draft: {},
    },
    rig: { ...usual, pack: { ...usual.pack, cells } },
    goals: usualGoals(vehicleClass),
    rigId: undefined,
    modelName: 'a usual model of its kind, all numbers assumed',
  };
}
