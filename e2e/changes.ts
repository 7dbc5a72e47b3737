import type { Archetype } from '#core/archetypes/archetypes';
import { factoryStops, type EscProfile, type ProfileItem, type StopByItem } from '#core/esc/profile';
import { rangeOf } from '#core/radio/pulse';
import type { Page } from '@playwright/test';
import { demoRigFile, post, takeIn, type RigFile } from './rigs';

/** What a change of is a matter of safety, and what must not be changed for a test's sake. */
const LEFT_ALONE: readonly ProfileItem['setting'][] = ['cutoff', 'cutoffAction', 'cellCount', 'becVolts'];
export const CHANGES = 5;

/** A rig with this ESC, calibrated and as the factory made it, and five changes drafted. */
export async function fiveChangesOn(
  page: Page,
  { profile, serves }: Archetype,
): Promise<{ rigId: string; targets: Record<string, string> }> {
  const targets = fiveChanges(profile);
  const rigId = await rigHolding(page, { profile, serves }, factoryStops(profile));
  await post(page, `/rigs/${rigId}/draft`, { baseRevision: 0, stops: targets, byHand: {} });
  return { rigId, targets };
}

/** A rig with this ESC, calibrated; nobody has looked at what it holds. */
export async function rigHolding(
  page: Page,
  { profile, serves }: Archetype,
  stops: StopByItem,
): Promise<string> {
  const flies = serves.some((one) => /Plane|glider|helicopter|multirotor|Boat/i.test(one));
  const demo = await demoRigFile(flies ? 'headland-trainer' : 'kelp-beach-buggy');
  const rigId = await rigWith(page, profile, demo);
  const memory = { stops, range: rangeOf(demo.rig.channel) };
  await post(page, `/rigs/${rigId}/bench-record`, { escNumber: 1, memory, seen: [] });
  return rigId;
}

async function rigWith(page: Page, profile: EscProfile, { rig, ...file }: RigFile): Promise<string> {
  // The factory's cutoff of a helicopter's ESC is meant for its pack.
  const cells = profile.media.some(({ family }) => family === 'keyPad') ? 6 : rig.pack.cells;
  const id = `${profile.id}-worked`;
  const document = {
    ...file,
    escProfileId: id,
    escProfile: { ...profile, id },
    rig: { ...rig, pack: { ...rig.pack, cells }, name: `By ${profile.name}` },
  };
  return (await takeIn(page, document))!;
}

/** The first five that may be changed, each to the stop beside the factory's. */
export function fiveChanges({ items }: EscProfile): Record<string, string> {
  const free = items.filter(
    ({ setting, overwrites, renumbersMenu, switchedOffBy }) =>
      !LEFT_ALONE.includes(setting) && overwrites.length === 0 && !renumbersMenu && switchedOffBy === null,
  );
  return Object.fromEntries(
    free.slice(0, CHANGES).map(({ id, stops, factoryStopId }) => {
      const at = stops.findIndex((stop) => stop.id === factoryStopId);
      return [id, stops[at === 0 ? 1 : at - 1]!.id];
    }),
  );
}
