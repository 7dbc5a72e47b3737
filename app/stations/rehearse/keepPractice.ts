import type { PracticeResult } from '#core/rehearsal/results';
import { problemsOf } from '#formats/document';
import { practiceResultSchema, signsSchema } from '#formats/practice';
import { readJson } from '#server/readBody';
import { currentGarage } from '#server/repositories/garages';
import { keepResult, keepSigns } from '#server/repositories/practice';
import { groundOf } from './ground.server';
import type { Route } from './+types/keepPractice';

/** Keeps a rehearsal that is over, or how well tones and blinks are known by now. */
export async function action({ params, request }: Route.ActionArgs) {
  const garage = await currentGarage();
  // Refuses what is practised on no ESC that there is.
  await groundOf(params.profileKey, null);
  const body: unknown = await readJson(request);
  const isSigns = typeof body === 'object' && body !== null && 'signs' in body;
  const problems = problemsOf(isSigns ? signsSchema : practiceResultSchema, body);
  if (problems.length > 0) return Response.json({ problems }, { status: 400 });
  if (isSigns) {
    const { turn, signs } = body as { turn: number; signs: { id: string; level: number; dueAt: number }[] };
    const learned = Object.fromEntries(signs.map(({ id, level, dueAt }) => [id, { level, dueAt }]));
    await keepSigns(garage.id, params.profileKey, { turn, learned });
  } else {
    await keepResult(garage.id, { ...(body as PracticeResult), profileId: params.profileKey });
  }
  return Response.json({});
}
