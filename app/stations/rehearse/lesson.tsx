import { LESSONS, type LessonId } from '#core/rehearsal/lesson';
import { lessonFor, lessonTitle } from '#core/rehearsal/makeLessons';
import { SURPRISES, surprisesFor, type SurpriseId } from '#core/rehearsal/surprises';
import type { PracticeMode } from '#core/rehearsal/results';
import type { MediumFamily } from '#core/esc/media';
import { useMemo, useState } from 'react';
import { data, Link, useSearchParams } from 'react-router';
import { Page } from '../../ui/Page';
import { BeforeLesson, type Chosen } from './BeforeLesson';
import { groundOf } from './ground.server';
import { lessonsAddress } from './lessonAddress';
import { PracticeDeck } from './PracticeDeck';
import type { Route } from './+types/lesson';

export async function loader({ params, request }: Route.LoaderArgs) {
  if (!Object.hasOwn(LESSONS, params.lessonId)) throw data(null, { status: 404 });
  const search = new URL(request.url).searchParams;
  const ground = await groundOf(params.profileKey, search.get('rig'));
  const lesson = lessonFor(ground.from, params.lessonId as LessonId, familyOf(search.get('by')));
  if (!lesson) throw data(null, { status: 404 });
  return ground;
}

const familyOf = (by: string | null): MediumFamily | undefined =>
  (by ?? undefined) as MediumFamily | undefined;

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `${LESSONS[params.lessonId as LessonId]} · Rehearse · Live Tune` },
];

/** One lesson: how it is to be practised, then the bench, then what is said of it. */
export default function LessonRoute({ loaderData: ground, params }: Route.ComponentProps) {
  const [search] = useSearchParams();
  const by = familyOf(search.get('by'));
  const { from, rigId } = ground;
  const lesson = useMemo(
    () => lessonFor(from, params.lessonId as LessonId, by)!,
    [from, params.lessonId, by],
  );
  const [chosen, setChosen] = useState<Chosen & { round: number }>();
  const start = (how: {
    mode: PracticeMode;
    speed: number;
    surprise: SurpriseId | 'any' | undefined;
  }): void => {
    const surpriseId = how.surprise === 'any' ? anyOf(surprisesFor(lesson)) : how.surprise;
    setChosen((before) => ({ ...how, surpriseId, round: (before?.round ?? 0) + 1 }));
  };
  return (
    <Page wide>
      <p className="text-muted wrap-anywhere">
        <Link to={lessonsAddress(from.profile.id, rigId)} className="underline underline-offset-4">
          Lessons
        </Link>{' '}
        · {from.profile.name}
      </p>
      <h1 className="mt-1 text-3xl">{lessonTitle(lesson)}</h1>
      <p className="mt-1 max-w-3xl text-lg wrap-anywhere">{lesson.goal}</p>
      {chosen ? (
        <PracticeDeck
          key={chosen.round}
          ground={ground}
          lesson={lesson}
          chosen={chosen}
          onAgain={() => setChosen(undefined)}
        />
      ) : (
        <BeforeLesson
          lesson={lesson}
          vehicle={ground.rig.vehicle.kind}
          asked={surpriseIn(search.get('surprise'))}
          onStart={start}
        />
      )}
    </Page>
  );
}

const surpriseIn = (text: string | null): SurpriseId | undefined =>
  text !== null && Object.hasOwn(SURPRISES, text) ? (text as SurpriseId) : undefined;

const anyOf = <T,>(all: readonly T[]): T | undefined => all[Math.floor(Math.random() * all.length)];
