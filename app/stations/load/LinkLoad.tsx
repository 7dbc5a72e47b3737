import { itemById, stopById, type WantedStops } from '#core/esc/profile';
import type { LinkPhase, Surprise } from '#server/link/loadByLink';
import type { LinkJobView } from '#server/link/linkJobs';
import { ACCEPTANCE } from '#core/rig/safety';
import { handChangeTitle } from '#core/rig/handValues';
import type { ReactNode } from 'react';
import { Check, Circle, CircleDot } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { NextEsc } from './NextEsc';
import { NoAnswer } from './NoAnswer';
import { FactoryPassCode, SayPassCode } from './PassCode';
import { useLinkJob } from './useLinkJob';

const PHASES: Record<LinkPhase, string> = {
  connecting: 'Find the ESC and check that it belongs to this rig',
  reading: 'Read every value',
  backingUp: 'Save a sheet of what it holds',
  writing: 'Write the changes',
  saving: 'Save',
  restarting: 'Restart the ESC',
  readingBack: 'Read every value back',
};
/** States after which one may wonder whether it is connected at all. */
const NOT_DONE: readonly string[] = ['refused', 'failed', 'forgotten'];
const READING_ONLY: readonly LinkPhase[] = ['connecting', 'reading'];

interface Props {
  /** The stop that each drafted item has to have in the end; empty for reading only. */
  intents: WantedStops;
  onAgain: () => void;
  /** Goes on with another ESC of the model, where it has several. */
  onNext?: () => void;
}

/** A load by link, or only a reading: what goes on, and in the end what is certain. */
export function LinkLoad({ intents, onAgain, onNext }: Props) {
  const { rigId, escNumber, profile } = useBench();
  const { job, cancel } = useLinkJob({ rigId, escNumber }, intents);
  const onlyReads = Object.keys(intents).length === 0;
  const phases = onlyReads ? READING_ONLY : (Object.keys(PHASES) as LinkPhase[]);
  const plug = profile.media.find((medium) => medium.family === 'link')?.plug;
  return (
    <div className="max-w-3xl px-5 py-6">
      <h1 className="text-3xl">{onlyReads ? 'Reading by link' : 'Loading by link'}</h1>
      <p className="mt-2 text-muted">{plug} Here this is the simulated ESC on its own line.</p>
      {'progress' in job && <Phases phases={phases} job={job} />}
      <div className="mt-6" aria-live="polite">
        {job.state === 'running' && <Button onClick={cancel}>Stop before the next value</Button>}
        {job.state === 'away' && (
          <Notice grade="caution" title="The server does not answer. Looking again …">
            <p>Leave the ESC plugged in. Everything so far is kept.</p>
          </Notice>
        )}
        {job.state === 'forgotten' && (
          <Broken
            title="The server restarted in the middle of this."
            unknownLabels={undefined}
            onAgain={onAgain}
          />
        )}
        {job.state === 'refused' && <Broken title={job.sentence} unknownLabels={[]} onAgain={onAgain} />}
        {job.state === 'failed' && (
          <Broken title={job.sentence} unknownLabels={job.unknownLabels} onAgain={onAgain}>
            {job.locked && <SayPassCode onSaid={onAgain} />}
          </Broken>
        )}
        {NOT_DONE.includes(job.state) && <NoAnswer profile={profile} family="link" />}
        {job.state === 'finished' && (
          <Finished {...job} onlyReads={onlyReads} onAgain={onAgain} onNext={onNext} />
        )}
      </div>
    </div>
  );
}

function Phases({ phases, job: { progress, state } }: { phases: readonly LinkPhase[]; job: LinkJobView }) {
  const at = state === 'finished' ? phases.length : phases.indexOf(progress.phase);
  return (
    <ol className="mt-5">
      {phases.map((phase, index) => (
        <li
          key={phase}
          aria-current={index === at ? 'step' : undefined}
          className={`flex min-h-11 items-center gap-3 border-t border-rule text-lg ${index === at ? 'font-bold' : index > at ? 'text-muted' : ''}`}
        >
          <PhaseMark place={index - at} />
          {PHASES[phase]}
          {index === at && progress.total > 1 && (
            <span className="ml-auto text-base">
              {progress.done} of {progress.total}
            </span>
          )}
        </li>
      ))}
    </ol>
  );
}

function PhaseMark({ place }: { place: number }) {
  const size = 'size-5 shrink-0';
  if (place < 0) return <Check className={size} strokeWidth={3} aria-label="done" />;
  if (place === 0) return <CircleDot className={`${size} text-draft`} aria-label="now" />;
  return <Circle className={`${size} text-rule`} aria-label="to come" />;
}

interface BrokenProps {
  title: string;
  /** Undefined where nobody can say. */
  unknownLabels: string[] | undefined;
  onAgain: () => void;
  /** What helps. */
  children?: ReactNode;
}

/** What came to nothing, what is certain all the same, and what to do. */
function Broken({ title, unknownLabels, onAgain, children }: BrokenProps) {
  const { rigId } = useBench();
  const certain =
    unknownLabels === undefined
      ? 'The new values may or may not be stored.'
      : unknownLabels.length === 0
        ? 'What the ESC holds is certain. See “What the ESC holds”.'
        : `It is unknown what the ESC holds for ${unknownLabels.map((label) => `“${label}”`).join(', ')}. Everything else is certain.`;
  return (
    <Notice grade="caution" title={title}>
      <p className="mt-1">
        {certain} {unknownLabels?.length !== 0 && 'Do not drive or fly before you read it.'} The draft is
        kept.
      </p>
      {children}
      <p className="mt-3 flex flex-wrap gap-3">
        <Button onClick={onAgain}>Try again</Button>
        <Button asChild>
          <Link to={`/rigs/${rigId}/esc`}>What the ESC holds</Link>
        </Button>
      </p>
    </Notice>
  );
}

function Finished({
  surprises,
  changed,
  sheetNumber,
  onlyReads,
  onAgain,
  onNext,
}: Extract<LinkJobView, { state: 'finished' }> & Pick<Props, 'onAgain' | 'onNext'> & { onlyReads: boolean }) {
  const { rigId, rig, handChanges } = useBench();
  const byHand = onlyReads ? [] : handChanges;
  return (
    <>
      <p className="font-display text-3xl leading-tight font-bold" data-testid="instruction">
        {changed.length > 0
          ? 'Every value is read back.'
          : onlyReads
            ? 'Every value is read.'
            : 'Nothing to write: the ESC already held it all.'}
      </p>
      {surprises.length > 0 && <Surprises surprises={surprises} />}
      <FactoryPassCode />
      {changed.length > 0 && (
        <>
          <p className="mt-4 text-xl">Before it moves again:</p>
          <ul className="mt-2 list-disc pl-6 text-lg">
            <li>Unplug the link adapter. Plug the fan or card back in.</li>
            {ACCEPTANCE[rig.vehicle.kind].map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </>
      )}
      {byHand.length > 0 && (
        <div className="mt-4">
          <Notice grade="caution" title="Before it drives: do this by hand">
            <p>{byHand.map(handChangeTitle).join('; ')}.</p>
            <Button className="mt-2" onClick={onAgain}>
              Do it by hand
            </Button>
          </Notice>
        </div>
      )}
      <p className="mt-5 flex flex-wrap gap-3">
        {onNext && <NextEsc onNext={onNext} />}
        <Button look="main" asChild>
          <Link to={sheetNumber === undefined ? `/rigs/${rigId}/tune` : `/rigs/${rigId}/sheets`}>
            {sheetNumber === undefined ? 'Go to Tune' : `See sheet ${sheetNumber}`}
          </Link>
        </Button>
      </p>
    </>
  );
}

function Surprises({ surprises }: { surprises: Surprise[] }) {
  const { profile } = useBench();
  return (
    <div className="mt-3">
      <Notice grade="note" title="Different from what was believed">
        <ul className="mt-1 list-disc pl-5">
          {surprises.map(({ itemId, believedStopId, foundStopId }) => {
            const item = itemById(profile, itemId);
            return (
              <li key={itemId}>
                “{item.label}” is on {stopById(item, foundStopId).label};{' '}
                {believedStopId === null
                  ? 'unknown before'
                  : `believed was ${stopById(item, believedStopId).label}`}
                .
              </li>
            );
          })}
        </ul>
      </Notice>
    </div>
  );
}
