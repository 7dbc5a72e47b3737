import { MEDIA, type MediumFamily } from '#core/esc/media';
import { ahead, learnerSeconds } from '#core/rehearsal/ahead';
import { SLIP_KINDS } from '#core/rehearsal/judge';
import type { Lesson } from '#core/rehearsal/lesson';
import { BEGINNERS_PATH, endPointLessons, lessonTitle, settingLessons } from '#core/rehearsal/makeLessons';
import { nextToPractise, recordOf, slipsOf, type Next, type PracticeResult } from '#core/rehearsal/results';
import { formatDuration } from '#core/units/format';
import { currentGarage } from '#server/repositories/garages';
import { practiceOf } from '#server/repositories/practice';
import { Check, Circle } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Button } from '../../ui/Button';
import { OneOf } from '../../ui/OneOf';
import { Page } from '../../ui/Page';
import { useInBrowser } from '../../ui/useInBrowser';
import { groundOf } from './ground.server';
import { lessonAddress } from './lessonAddress';
import { practiceIsSent } from './sendPractice';
import type { Route } from './+types/profile';

export async function loader({ params, request }: Route.LoaderArgs) {
  const rigId = new URL(request.url).searchParams.get('rig');
  const garage = await currentGarage();
  const [ground, { results }] = await Promise.all([
    groundOf(params.profileKey, rigId),
    practiceOf(garage.id, params.profileKey),
  ]);
  return { ...ground, results };
}

export async function clientLoader({ serverLoader }: Route.ClientLoaderArgs) {
  await practiceIsSent();
  return serverLoader();
}

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Rehearse · ${loaderData.from.profile.name} · Live Tune` },
];

/** The lessons of one ESC: what to practise next, the path for a beginner, all others, and how it went so far. */
export default function LessonsRoute({ loaderData }: Route.ComponentProps) {
  const { from, rigId, modelName, results } = loaderData;
  const { profile } = from;
  const [search, setSearch] = useSearchParams();
  const family = (search.get('by') ?? profile.media[0]?.family) as MediumFamily | undefined;
  const medium = profile.media.find((one) => one.family === family) ?? profile.media[0];
  const lessons = useMemo(
    () => [...endPointLessons(from), ...(medium ? settingLessons(from, medium) : [])],
    [from, medium],
  );
  const seconds = useSeconds(lessons);
  const next = nextToPractise(lessons, results);
  const path = BEGINNERS_PATH.flatMap((id) => lessons.find((lesson) => lesson.id === id) ?? []);
  const others = lessons.filter((lesson) => !path.includes(lesson));
  const slips = slipsOf(results);
  const pathSeconds = path.reduce((sum, lesson) => sum + (seconds?.get(lesson) ?? 0), 0);
  const listProps = { rigId, results, seconds };
  return (
    <Page>
      <p className="text-muted">
        <Link to="/rehearse" className="underline underline-offset-4">
          Rehearse
        </Link>{' '}
        · {rigId ? `with your ${modelName}` : 'no rig chosen'}
      </p>
      <h1 className="mt-1 text-4xl wrap-anywhere">{profile.name}</h1>
      {next && <NextUp next={next} rigId={rigId} />}
      {profile.media.length > 1 && medium && (
        <div className="mt-6 max-w-xl">
          <OneOf
            legend={<span className="font-display text-xl">Set it by</span>}
            name="by"
            of={profile.media.map(({ family: id }) => [id, MEDIA[id].words] as const)}
            value={medium.family}
            onChoose={(id) =>
              setSearch((before) => {
                before.set('by', id);
                return before;
              })
            }
          />
        </div>
      )}
      <LessonList
        title="The path for a beginner"
        note={
          seconds
            ? `About ${formatDuration(Math.ceil(pathSeconds / 60) * 60)} in all, if you follow the coach.`
            : ''
        }
        lessons={path}
        {...listProps}
      />
      <LessonList title="More to practise" lessons={others} {...listProps} />
      <section className="mt-7 border-t border-ink pt-4">
        <h2 className="text-2xl">Tones and blinks</h2>
        <p className="mt-1 max-w-2xl">
          Recognise what it says against the clock. What you miss comes back sooner.
        </p>
        <Button asChild className="mt-3">
          <Link to={`/rehearse/${profile.id}/signs`}>Practise tones and blinks</Link>
        </Button>
      </section>
      {results.length > 0 && (
        <section className="mt-7 border-t border-ink pt-4">
          <h2 className="text-2xl">So far</h2>
          <p className="mt-1">
            {results.length === 1 ? 'One rehearsal' : `${results.length} rehearsals`}
            {slips.length > 0 && '. Your slips:'}
          </p>
          <ul className="mt-1">
            {slips.map(({ kind, count }) => (
              <li key={kind}>
                {SLIP_KINDS[kind]}: <strong>{count}</strong>
              </li>
            ))}
          </ul>
          <p className="mt-3">
            <a
              href={`/rehearse/${profile.id}/practice.json`}
              download
              className="underline underline-offset-4"
            >
              Save as a file
            </a>
          </p>
        </section>
      )}
    </Page>
  );
}

/** What the coach's way through each takes; undefined before the page has worked it out. */
function useSeconds(lessons: readonly Lesson[]): ReadonlyMap<Lesson, number> | undefined {
  const inBrowser = useInBrowser();
  return useMemo(() => {
    if (!inBrowser) return undefined;
    return new Map(
      lessons.flatMap((lesson) => {
        const plan = ahead(lesson, lesson.start);
        return typeof plan === 'string' ? [] : [[lesson, learnerSeconds(plan)] as const];
      }),
    );
  }, [inBrowser, lessons]);
}

const WHY: Readonly<Record<Next<Lesson>['why'], string>> = {
  onThePath: 'It comes next on the path for a beginner.',
  load: 'You have a draft for this ESC. Rehearse that load first.',
  slips: 'It went worst last time.',
  notYet: 'You have not passed it yet.',
};

function NextUp({ next: { lesson, why }, rigId }: { next: Next<Lesson>; rigId: string | undefined }) {
  return (
    <section aria-labelledby="next" className="mt-5 rounded-sm border-2 border-draft bg-sheet p-4">
      <h2 id="next" className="text-2xl">
        Next: {lessonTitle(lesson)}
      </h2>
      <p className="mt-1 wrap-anywhere">{lesson.goal}</p>
      <p className="mt-1 text-sm text-muted">{WHY[why]}</p>
      <Button look="main" asChild className="mt-3">
        <Link to={lessonAddress(lesson, rigId)}>Start</Link>
      </Button>
    </section>
  );
}

interface ListProps {
  title: string;
  note?: string;
  lessons: readonly Lesson[];
  rigId: string | undefined;
  results: readonly PracticeResult[];
  seconds: ReadonlyMap<Lesson, number> | undefined;
}

function LessonList({ title, note, lessons, rigId, results, seconds }: ListProps) {
  return (
    <section className="mt-7">
      <h2 className="text-2xl">{title}</h2>
      {note && <p className="text-muted">{note}</p>}
      <ol className="mt-2 border-t border-ink">
        {lessons.map((lesson) => {
          const { best, last, times } = recordOf(results, lesson);
          const takes = seconds?.get(lesson);
          const cannot = seconds && takes === undefined;
          const Mark = best ? Check : Circle;
          return (
            <li key={lesson.id} className="border-b border-rule">
              <Link
                to={lessonAddress(lesson, rigId)}
                className="grid grid-cols-[1.75rem_minmax(0,1fr)_auto] items-baseline gap-x-2 py-3 hover:text-draft"
              >
                <Mark
                  className={`size-5 self-center ${best ? 'text-ok' : 'text-muted'}`}
                  aria-hidden="true"
                />
                <strong className="font-display text-xl">
                  {lessonTitle(lesson)}
                  <span className="sr-only">{best ? ', passed' : ', not passed yet'}</span>
                </strong>
                <span className="text-sm text-muted">{takes !== undefined && formatDuration(takes)}</span>
                <span className="col-start-2 min-w-0 text-muted wrap-anywhere">
                  {cannot ? 'No plan leads there with this radio.' : lesson.goal}
                </span>
                {last && (
                  <span className="col-start-2 text-sm text-muted">
                    {times === 1 ? 'Once' : `${times} times`}. Last: {inWords(last)}
                    {best && best !== last && `. Best: ${inWords(best)}`}
                  </span>
                )}
              </Link>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function inWords({ passed, seconds, slips, mode }: PracticeResult): string {
  const count = slips.reduce((sum, slip) => sum + slip.count, 0);
  const outcome = passed ? formatDuration(seconds) : 'not passed';
  return `${outcome}, ${count === 0 ? 'no slip' : count === 1 ? 'one slip' : `${count} slips`}${mode === 'coach' ? ', with the coach' : ''}`;
}
