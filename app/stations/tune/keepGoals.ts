import { readGoals } from '#core/advice/readGoals';
import { readJson } from '#server/readBody';
import { currentGarage } from '#server/repositories/garages';
import { keepGoals } from '#server/repositories/rigs';
import { data } from 'react-router';
import type { Route } from './+types/keepGoals';

/** Keeps what the driver is after. */
export async function action({ params, request }: Route.ActionArgs) {
  const goals = readGoals(await readJson(request));
  if (!goals) return data({ ok: false }, { status: 400 });
  const garage = await currentGarage();
  const kept = await keepGoals(garage.id, params.rigId, goals);
  return kept ? { ok: true } : data({ ok: false }, { status: 404 });
}
