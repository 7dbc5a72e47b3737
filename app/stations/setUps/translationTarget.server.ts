import type { Goals } from '#core/advice/goals';
import { factoryStops, type EscProfile, type StopByItem } from '#core/esc/profile';
import type { LearnedRange } from '#core/radio/pulse';
import type { Rig } from '#core/rig/rig';
import { believedStops, holdingsOf } from '#core/sheet/evidence';
import { findProfileByKey } from '#server/repositories/escProfiles';
import { findBench } from '#server/repositories/rigs';

/** What is translated onto: an ESC on a rig, or one that no rig has yet. */
export interface Target {
  name: string;
  /** Null where no rig has it yet: it is driven on the rig of this page then. */
  rigId: string | null;
  rig: Rig | null;
  goals: Goals | null;
  profile: EscProfile;
  stops: StopByItem;
  range: LearnedRange | null;
}

/** What an address names to translate onto: `rig:ID`, or `esc:PROFILE` for one that no rig has. */
export async function targetOf(garageId: string, key: string): Promise<Target | undefined> {
  const [kind, id = ''] = key.split(':');
  if (kind === 'esc') {
    const profile = (await findProfileByKey(garageId, id))?.profile;
    return (
      profile && {
        name: profile.name,
        rigId: null,
        rig: null,
        goals: null,
        profile,
        stops: factoryStops(profile),
        range: null,
      }
    );
  }
  const bench = kind === 'rig' ? await findBench(garageId, id) : undefined;
  if (!bench) return undefined;
  const { rigId, rig, goals, profile, memory, observations } = bench;
  const stops = believedStops(profile, holdingsOf(profile, observations));
  return { name: rig.name, rigId, rig, goals, profile, stops, range: memory.range };
}
