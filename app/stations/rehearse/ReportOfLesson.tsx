import type { Lesson } from '#core/rehearsal/lesson';
import type { Report, SlipReport } from '#core/rehearsal/report';
import { SURPRISE_OF, SURPRISES } from '#core/rehearsal/surprises';
import { formatDuration, formatNumber } from '#core/units/format';
import { Check, X } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useTopOfPage } from '../../simulated/useTopOfPage';
import type { Ground } from './ground.server';
import { lessonsAddress } from './lessonAddress';
import type { Practice } from './practice';
import type { PracticeSent } from './sendPractice';

interface Props {
  ground: Ground;
  lesson: Lesson;
  report: Report | undefined;
  practice: Practice;
  sent: PracticeSent | undefined;
  onAgain: () => void;
}

/** What is said when a rehearsal is over: passed or not, each slip at its moment, time, and where to go from here. */
export function ReportOfLesson({ ground, lesson, report, practice, sent, onAgain }: Props) {
  useTopOfPage();
  const { rigId, modelName, from } = ground;
  if (!report)
    return (
      <p className="mt-5 text-lg" role="status">
        Comparing what you did with the plan …
      </p>
    );
  const { passed, slips, seconds, planSeconds } = report;
  const Mark = passed ? Check : X;
  const real = passed ? realAddress(lesson, rigId) : undefined;
  return (
    <section aria-labelledby="report" className="mt-5">
      <h2 id="report" className="flex items-center gap-3 text-3xl">
        <Mark className={`size-8 ${passed ? 'text-ok' : 'text-hazard'}`} aria-hidden="true" />
        {passed ? 'Passed' : 'Not passed'}
        {slips.length === 0
          ? ', without a slip'
          : slips.length === 1
            ? ', one slip'
            : `, ${slips.length} slips`}
      </h2>
      <p className="mt-2 text-lg">
        It took {formatDuration(seconds)} on the ESC’s clock
        {planSeconds !== undefined && `; the plan, with time to think, takes ${formatDuration(planSeconds)}`}.
      </p>
      {sent !== undefined && sent !== 'kept' && (
        <div className="mt-3 max-w-2xl">
          <Notice grade="caution" title={NOT_KEPT[sent]} />
        </div>
      )}
      <SurpriseTold practice={practice} lesson={lesson} />
      <ol className="mt-4 grid max-w-3xl gap-3">
        {slips.map((slip, place) => (
          <SlipLine key={place} slip={slip} modelName={modelName} />
        ))}
      </ol>
      {!passed && slips.length === 0 && (
        <p className="mt-3">You stopped before the goal was reached. No slip so far.</p>
      )}
      <div className="mt-6 flex flex-wrap items-center gap-4">
        {real && (
          <Button look="main" asChild>
            <Link to={real.to}>{real.words}</Link>
          </Button>
        )}
        <Button look={real ? 'plain' : 'main'} onClick={onAgain}>
          Again
        </Button>
        <Button asChild>
          <Link to={lessonsAddress(from.profile.id, rigId)}>Other lessons</Link>
        </Button>
      </div>
    </section>
  );
}

const NOT_KEPT: Readonly<Record<Exclude<PracticeSent, 'kept'>, string>> = {
  away: 'Not kept yet: the server does not answer. It is sent with the next one while this page is open.',
  notYours: 'Not kept: the bench keeps what its owner practises.',
  refused: 'Not kept: this ESC is no longer in your garage.',
};

/** The same thing on the real ESC. */
function realAddress(lesson: Lesson, rigId: string | undefined): { to: string; words: string } | undefined {
  if (rigId === undefined) return undefined;
  if (lesson.id === 'myLoad')
    return {
      to: `/rigs/${rigId}/load?on=own&by=${lesson.medium!.family}`,
      words: 'Load it into your own ESC',
    };
  if (lesson.id === 'calibrate' || lesson.id === 'prepareRadio')
    return { to: `/rigs/${rigId}/endpoints?on=own`, words: 'Calibrate your own ESC' };
  if (lesson.id === 'calibrateSecond')
    return { to: `/rigs/${rigId}/endpoints?on=own`, words: 'Calibrate your own ESCs' };
  return undefined;
}

function SlipLine({ slip, modelName }: { slip: SlipReport; modelName: string }) {
  const { atMs, title, consequence, effect, noticed, cost } = slip;
  return (
    <li className="rounded-sm border border-caution bg-caution-wash p-3 wrap-anywhere">
      <p className="font-bold">
        <span className="mr-2 font-normal text-muted">at {clock(atMs)}</span>
        {title}
      </p>
      {consequence !== '' && <p>{consequence}</p>}
      {effect !== undefined && (
        <p>
          On {modelName}: {effect}
        </p>
      )}
      <p className="text-muted">
        {noticed} {cost}
      </p>
    </li>
  );
}

function clock(ms: number): string {
  const seconds = Math.floor(ms / 1000);
  return `${formatNumber(Math.floor(seconds / 60), 0)}:${String(seconds % 60).padStart(2, '0')}`;
}

function SurpriseTold({
  practice: { surpriseId, isNamed, rehearsal },
  lesson,
}: {
  practice: Practice;
  lesson: Lesson;
}) {
  if (surpriseId === undefined) return null;
  const { shows, remedy, begins, isOver } = SURPRISE_OF[surpriseId];
  const happened = begins === 'atOnce' || rehearsal.moments.some(({ byItself }) => byItself);
  const at = rehearsal.moments.findLast(({ byItself }) => byItself)?.after ?? lesson.start;
  const bench = begins === 'atOnce' ? SURPRISE_OF[surpriseId].happens(lesson.start).bench : at;
  return (
    <div className="mt-4 max-w-3xl">
      <Notice grade="note" title={`The surprise: ${SURPRISES[surpriseId]}.`}>
        <p>
          {isNamed ? 'You found it. ' : ''}
          {happened ? shows(bench, lesson) : 'It had no time to happen.'}
        </p>
        <p>{remedy}</p>
        {!isOver(rehearsal.bench, lesson) && <p className="font-bold">It was still so at the end.</p>}
      </Notice>
    </div>
  );
}
