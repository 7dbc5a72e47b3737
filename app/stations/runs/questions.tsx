import { repeatedScatter } from '#core/runs/compareRuns';
import type { Question } from '#core/runs/question';
import { takingTurns } from '#core/packs/takingTurns';
import { askedOf } from '#server/repositories/asked';
import { currentGarage } from '#server/repositories/garages';
import { packLives } from '#server/repositories/packs';
import { newestRuns, runsOfQuestion } from '#server/repositories/runs';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { unlessAway } from '../../ui/keepTyped';
import { AskQuestion } from './AskQuestion';
import { QuestionCard } from './QuestionCard';
import { RunsNav } from './RunsNav';
import type { Route } from './+types/questions';

/** Runs among which repeated ones give the rig's own spread. */
const RUNS_LOOKED_AT = 200;
/** Questions that are shown: the newest. */
const QUESTIONS_SHOWN = 20;

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const { id: garageId } = await currentGarage();
  const [asked, all, packs] = await Promise.all([
    askedOf(rigId),
    newestRuns(rigId, RUNS_LOOKED_AT),
    // How alike packs are stands on the shelf; their runs are not asked.
    packLives(garageId, 0),
  ]);
  const questions = asked
    .flatMap(({ asked: one, isClosed }) => (one.kind === 'compare' ? [{ question: one, isClosed }] : []))
    .slice(0, QUESTIONS_SHOWN);
  return {
    questions: await Promise.all(
      questions.map(async ({ question, isClosed }) => {
        const runs = await runsOfQuestion(rigId, question.id);
        return {
          question: question satisfies Question,
          isClosed,
          runs,
          packs: takingTurns(
            runs.map(({ run }) => run.pack),
            packs,
          ),
          repeated: repeatedScatter(all, question.reading, (run) => run.question?.id === question.id),
        };
      }),
    ),
  };
}

export const shouldRevalidate = unlessAway;

/** Questions that are driven in turn, and what the runs answered. */
export default function QuestionsRoute({ loaderData }: Route.ComponentProps) {
  const { questions } = loaderData;
  const { profile } = useBench();
  return (
    <div className="max-w-4xl px-5 py-6">
      <RunsNav />
      <h1 className="mt-4 text-3xl">Questions</h1>
      <p className="mt-1 max-w-2xl text-muted">
        One value against another, driven A, B, A. What changes by itself, a warming motor or a falling pack,
        falls out that way.
      </p>
      <OwnersOnly>
        <AskQuestion key={profile.id} isFirst={questions.length === 0} />
      </OwnersOnly>
      {questions.map((one) => (
        <QuestionCard key={one.question.id} {...one} />
      ))}
    </div>
  );
}
