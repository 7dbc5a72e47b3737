import type { DriveView } from '#server/link/simulatedDrive';
import { useFetcher, Link } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { answered, type NotKept } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';
import type { ByLinkAnswer } from './byLink';
import { LiveDrive } from './LiveDrive';
import { useDrive } from './useDrive';

/** What the ESC logged, over the link: read, kept as a run, and only then cleared. */
export function FromEsc() {
  const { rigId } = useBench();
  const fetcher = useFetcher<ByLinkAnswer | NotKept>();
  const answer = answered(fetcher.data);
  const isAsking = fetcher.state !== 'idle';
  const drive = useDrive(rigId, answer?.done === 'watching' ? answer : undefined);
  const isDriving = drive?.state === 'driving';
  const isBusy = isAsking || isDriving;
  const ask = (intent: 'read' | 'drive' | 'watch'): void =>
    void fetcher.submit({ intent }, { method: 'post', action: `/rigs/${rigId}/run-by-link` });
  return (
    <section className="mt-8 border-t border-rule pt-3" aria-label="From the ESC">
      <h2 className="text-xl">From the ESC, by link</h2>
      <p className="mt-1 text-muted">
        An ESC that logs keeps its last drive. Live Tune reads it, keeps it as a run, and clears it on the
        ESC. The simulated ESC has nothing to log until it is driven.
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button disabled={isBusy} onClick={() => ask('read')}>
          Read its log
        </Button>
        <Button look="quiet" disabled={isBusy} onClick={() => ask('drive')}>
          Drive the simulated one
        </Button>
        <Button look="quiet" disabled={isBusy} onClick={() => ask('watch')}>
          Drive it and watch
        </Button>
      </div>
      {drive && drive.state !== 'failed' && <LiveDrive drive={drive} />}
      <p className="mt-2" aria-live="polite">
        {isAsking && 'Working on it …'}
        {!isBusy && answer && <Answer answer={answer} drive={drive} rigId={rigId} />}
      </p>
      <AwayNotice answer={fetcher.data} />
    </section>
  );
}

interface AnswerShown {
  answer: ByLinkAnswer;
  drive: DriveView | undefined;
  rigId: string;
}

const LOG_IS_FULL = 'Its log is full now, and the ESC beeps until it is read.';

function Answer({ answer, drive, rigId }: AnswerShown) {
  switch (answer.done) {
    case 'driven':
      return `Driven for ${answer.minutes} minutes. ${LOG_IS_FULL}`;
    case 'watching':
      if (drive?.state === 'failed') return drive.sentence;
      return drive?.state === 'driven' && LOG_IS_FULL;
    case 'nothing':
      return answer.sentence;
    case 'read':
      return (
        <>
          Kept as{' '}
          <Link to={`/rigs/${rigId}/runs/${answer.number}/log`} className="underline underline-offset-4">
            run {answer.number}
          </Link>
          .{' '}
          {answer.cleared
            ? 'The log on the ESC is cleared.'
            : 'The ESC still has it: read it again, and it is cleared.'}
        </>
      );
  }
}
