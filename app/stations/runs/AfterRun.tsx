import type { NextChange } from '#core/runs/nextChange';
import { outcomeOf, trialOf, type Trial } from '#core/runs/trial';
import type { NumberedRun } from '#core/runs/run';
import { Link, useFetcher } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import type { NotKept } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { useBench } from '../bench/BenchContext';
import { Effect, OutcomeWords } from './changeWords';
import { useNextChanges } from './useNextChanges';

interface Props {
  last: NumberedRun;
  /** The change that is being tried, and the runs since the one that asked for it. */
  trial: Trial | undefined;
  since: readonly NumberedRun[];
}

/** What the last run came to: whether the change before it held, and the one change that it asks for. */
export function AfterRun({ last, trial, since }: Props) {
  const { rig, rigId } = useBench();
  const outcome = trial && outcomeOf(trial, since, rig.vehicle.kind);
  const isOpen = outcome?.state === 'waiting' || outcome?.state === 'notSaid';
  const changes = useNextChanges(isOpen ? undefined : last.run);
  return (
    <section id="after-run" aria-label={`After run ${last.number}`} className="min-w-0 scroll-mt-2">
      <h2 className="border-b border-ink pb-1 text-2xl">After run {last.number}</h2>
      {trial && outcome && (
        <div className="border-b border-rule py-2">
          <h3 className="font-sans text-lg font-bold">
            {trial.itemLabel}: {trial.from.label} → {trial.to.label}
          </h3>
          <p className="text-muted">{trial.because}</p>
          <OutcomeWords trial={trial} outcome={outcome} />
          {trial.predicted && outcome.state === 'notFelt' && <MeasureNext trial={trial} />}
          {outcome.state === 'waiting' && <NotYetLoaded trial={trial} />}
          <p>
            <Button look="quiet" asChild>
              <Link to={`/rigs/${rigId}/runs/between`}>Keep it, put it back, or one more step</Link>
            </Button>
          </p>
        </div>
      )}
      {!isOpen && <Next changes={changes} last={last} />}
    </section>
  );
}

/** What is left to do before it can be driven; nothing where the ESC holds it. */
function NotYetLoaded({ trial: { itemId, to, because } }: { trial: Trial }) {
  const { rigId, holdings, drafted, moveAll } = useBench();
  if (holdings[itemId]?.stopId === to.stopId) return null;
  if (drafted[itemId] !== to.stopId)
    return (
      <Button onClick={() => moveAll({ [itemId]: to.stopId }, {}, { [itemId]: because })}>
        Draft it again
      </Button>
    );
  return (
    <p role="status" className="flex flex-wrap items-center gap-3">
      <span className="font-bold text-draft">drafted</span>
      <Button look="main" asChild>
        <Link to={`/rigs/${rigId}/load`}>Load it</Link>
      </Button>
    </p>
  );
}

/** A prediction that failed is worth more than one that held: it says what to measure. */
const MeasureNext = ({ trial }: { trial: Trial }) => {
  const { rigId } = useBench();
  return (
    <p>
      The prediction rested on assumed numbers.{' '}
      <Link className="underline underline-offset-4" to={`/rigs/${rigId}/tune`}>
        See on Tune what “{trial.predicted!.name.toLowerCase()}” rests on
      </Link>
      , and measure that first.
    </p>
  );
};

function Next({ changes, last }: { changes: NextChange[] | undefined; last: NumberedRun }) {
  if (!changes) return <p className="py-2 text-muted">Looking for the next change …</p>;
  const [first, ...others] = changes;
  if (!first)
    return (
      <p className="py-2">
        This run asks for no change. Keep it, or tap “less” or “more” at a moment of the next run.
      </p>
    );
  return (
    <>
      <p className="pt-2 text-muted">Change one thing, then drive again.</p>
      <OneChange change={first} last={last} isMain />
      {others.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
            {others.length} other {others.length === 1 ? 'change' : 'changes'}
          </summary>
          {others.map((change) => (
            <OneChange key={change.change.words} change={change} last={last} />
          ))}
        </details>
      )}
    </>
  );
}

function OneChange({
  change,
  last,
  isMain = false,
}: {
  change: NextChange;
  last: NumberedRun;
  isMain?: boolean;
}) {
  const { rigId } = useBench();
  const { because, change: what, effect, lookFor } = change;
  return (
    <article className="border-b border-rule py-2">
      <p className="text-muted">{because}</p>
      <p className="text-lg font-bold">{what.words}</p>
      {effect && <Effect effect={effect} />}
      <p>
        <span className="text-muted">Look for:</span> {lookFor}
      </p>
      <OwnersOnly>
        {what.kind === 'move' && <DraftIt change={change} last={last} isMain={isMain} />}
      </OwnersOnly>
      {what.kind === 'station' && (
        <Link to={`/rigs/${rigId}/${what.station}`} className="underline underline-offset-4">
          Go there
        </Link>
      )}
    </article>
  );
}

function DraftIt({ change, last, isMain }: { change: NextChange; last: NumberedRun; isMain: boolean }) {
  const { rigId, profile, believed, moveAll } = useBench();
  const fetcher = useFetcher<object | NotKept>();
  if (change.change.kind !== 'move') return null;
  const { itemId, stopId, words } = change.change;
  const draft = (): void => {
    moveAll({ [itemId]: stopId }, {}, { [itemId]: change.because });
    const trial = trialOf(change, {
      profile,
      stops: believed,
      afterRun: last.number,
      id: crypto.randomUUID(),
      madeAt: new Date().toISOString(),
    });
    void fetcher.submit(
      { intent: 'try', asked: JSON.stringify({ kind: 'change', ...trial }) },
      { method: 'post', action: `/rigs/${rigId}/runs` },
    );
  };
  return (
    <div className="mt-1">
      <Button look={isMain ? 'main' : 'quiet'} onClick={draft} aria-label={`Draft it: ${words}`}>
        Draft it
      </Button>
      <AwayNotice answer={fetcher.data} />
    </div>
  );
}
