import type { Lesson } from '#core/rehearsal/lesson';

/** Where a lesson is practised, with the rig that it belongs to. */
export function lessonAddress({ id, profile, medium }: Lesson, rigId: string | undefined): string {
  const search = new URLSearchParams();
  if (medium) search.set('by', medium.family);
  if (rigId) search.set('rig', rigId);
  const text = search.toString();
  return `/rehearse/${profile.id}/${id}${text === '' ? '' : `?${text}`}`;
}

/** The lessons of an ESC, with the rig. */
export const lessonsAddress = (profileId: string, rigId: string | undefined): string =>
  `/rehearse/${profileId}${rigId ? `?rig=${rigId}` : ''}`;
