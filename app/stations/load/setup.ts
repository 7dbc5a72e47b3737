import { readSetup, SETUP_VALUES, withSetup } from '#core/rig/setup';
import { problemsOf } from '#formats/document';
import { rigSchema } from '#formats/rig';
import { keepSetup } from '#server/repositories/rigs';
import { data } from 'react-router';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/setup';

/** Writes down that something was changed on the model or its radio. */
export async function action({ params, request }: Route.ActionArgs) {
  const { rig } = await benchOf(params.rigId);
  const sent = Object.entries(Object.fromEntries(await request.formData()));
  const setup = readSetup(Object.fromEntries(sent.map(([key, value]) => [key, Number(value)])));
  const [key] = sent.map(([name]) => name);
  if (!setup || sent.length !== 1) return refused('The page named nothing that this model has. Reload it.');
  if (problemsOf(rigSchema, withSetup(rig, setup)).length > 0) {
    const { name } = SETUP_VALUES[key as keyof typeof SETUP_VALUES];
    return refused(`${name}: this number does not go with the rest of the model. See it under Rig.`);
  }
  await keepSetup(params.rigId, setup);
  return { sentence: undefined };
}

const refused = (sentence: string) => data({ sentence }, { status: 400 });
