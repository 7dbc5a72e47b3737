import { currentGarage } from '#server/repositories/garages';
import { rigOfDay } from './dayData.server';
import type { Route } from './+types/rigForDay';

/** A rig as a day needs it, before it is part of one. */
export async function loader({ params }: Route.LoaderArgs) {
  const garage = await currentGarage();
  return { rig: (await rigOfDay(garage.id, params.rigId)) ?? null };
}
