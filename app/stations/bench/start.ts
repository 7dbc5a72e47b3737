import { redirect } from 'react-router';
import type { Route } from './+types/start';

/** A rig's bare address leads to Tune, where most visits go. */
export const loader = ({ params }: Route.LoaderArgs) =>
  redirect(`/rigs/${encodeURIComponent(params.rigId)}/tune`);
