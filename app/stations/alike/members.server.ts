import type { Side } from '#core/setUps/compare';
import type { Like } from '#core/setUps/alike';
import { conditionsOf } from '#core/setUps/conditions';
import { handValuesOf } from '#core/rig/handValues';
import { believedStops, heldStops, holdingsOf } from '#core/sheet/evidence';
import type { Bench } from '#server/repositories/rigs';

/** One ESC among those that ought to be alike. */
export interface Member {
  rigId: string;
  escNumber: number;
  side: Side;
  like: Like;
}

/** A rig with one ESC is one member; each ESC of a twin is one. */
export function membersOf({ rigId, rig, profile, goals, escs }: Bench): Member[] {
  return escs.map(({ escNumber, observations, memory }) => {
    const holdings = holdingsOf(profile, observations);
    const held = Object.entries(heldStops(profile, holdings)).filter(
      (entry): entry is [string, string] => entry[1] !== null,
    );
    return {
      rigId,
      escNumber,
      side: {
        title: escs.length > 1 ? `${rig.name}, ESC ${escNumber}` : rig.name,
        profile,
        stops: Object.fromEntries(held),
        byHand: handValuesOf(rig),
        reasons: {},
        conditions: conditionsOf(rig, goals),
      },
      like: { rig, goals, profile, stops: believedStops(profile, holdings), range: memory.range },
    };
  });
}
