import { readForm } from '#server/readBody';
import { chooseRules } from '#server/repositories/eventRules';
import { currentGarage } from '#server/repositories/garages';
import { data } from 'react-router';
import { keepTyped } from '../../ui/keepTyped';
import type { Route } from './+types/chooseRules';

/** Holds the rig against the rules of an event, or against none. */
export async function action({ request, params }: Route.ActionArgs) {
  const chosen = (await readForm(request)).get('rules');
  const garage = await currentGarage();
  const id = typeof chosen === 'string' && chosen !== '' ? chosen : null;
  const done = await chooseRules(garage.id, params.rigId, id);
  return done ? { ok: true } : data({ ok: false }, { status: 404 });
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
