import { isByHand } from '#core/esc/media';
import { itemById } from '#core/esc/profile';
import { inOrder } from '#core/esc/stopOrder';
import { isPlanned } from '#core/plan/search';
import { raises } from '#core/runs/nextChange';
import { outcomeOf, type Trial, type TriedStop } from '#core/runs/trial';
import type { NumberedRun } from '#core/runs/run';
import { formatDuration } from '#core/units/format';
import { askedOf } from '#server/repositories/asked';
import { openTrial } from '#server/openTrial';
import { useMemo, type ReactNode } from 'react';
import { Link } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { usePlannedLoad } from '../load/usePlannedLoad';
import { OutcomeWords } from './changeWords';
import { RunsNav } from './RunsNav';
import { useTryChange } from './useTryChange';
import type { Route } from './+types/between';

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  return openTrial(rigId, await askedOf(rigId));
}

export const shouldRevalidate = unlessAway;

/** One screen between two heats: the last change, and what to do with it. */
export default function BetweenRoute({ loaderData }: Route.ComponentProps) {
  const { trial, since } = loaderData;
  const { rigId } = useBench();
  return (
    <div className="max-w-3xl px-5 py-5">
      <RunsNav />
      <h1 className="mt-3 text-3xl">Between heats</h1>
      {trial ? (
        <Tried trial={trial} since={since} />
      ) : (
        <p className="mt-2 text-lg">
          No change is being tried.{' '}
          <Link to={`/rigs/${rigId}/runs`} className="underline underline-offset-4">
            Note a run
          </Link>{' '}
          and draft what it asks for.
        </p>
      )}
    </div>
  );
}

function Tried({ trial, since }: { trial: Trial; since: readonly NumberedRun[] }) {
  const { rig, rigId, holdings } = useBench();
  const outcome = outcomeOf(trial, since, rig.vehicle.kind);
  const next = useNextStep(trial, since);
  const { keep, leave, putBack, goOn, answer } = useTryChange(trial);
  const isLoaded = holdings[trial.itemId]?.stopId === trial.to.stopId;
  return (
    <>
      <p className="mt-2 text-muted">{trial.because}</p>
      <p className="font-display text-3xl font-bold">
        {trial.itemLabel} {trial.from.label} → {trial.to.label}
      </p>
      <OutcomeWords trial={trial} outcome={outcome} />
      <AwayNotice answer={answer} />
      {isLoaded ? (
        <ul className="mt-3">
          <Way
            does={
              <OwnersOnly>
                <Button onClick={keep}>Keep it</Button>
              </OwnersOnly>
            }
            words={`${trial.itemLabel} stays at ${trial.to.label}.`}
            seconds={<span>nothing to load</span>}
          />
          <Way
            does={
              <OwnersOnly>
                <Button onClick={putBack}>Put it back</Button>
              </OwnersOnly>
            }
            words={helperLine(trial, trial.to, trial.from)}
            seconds={<LoadTime from={trial.to.stopId} to={trial.from.stopId} itemId={trial.itemId} />}
          />
          {next && (
            <Way
              does={
                <OwnersOnly>
                  <Button onClick={() => goOn(next)}>One more step</Button>
                </OwnersOnly>
              }
              words={helperLine(trial, next.from, next.to)}
              seconds={<LoadTime from={next.from.stopId} to={next.to.stopId} itemId={next.itemId} />}
            />
          )}
        </ul>
      ) : (
        <ul className="mt-3">
          <Way
            does={
              <Button asChild>
                <Link to={`/rigs/${rigId}/load`}>Load it</Link>
              </Button>
            }
            words={helperLine(trial, trial.from, trial.to)}
            seconds={<LoadTime from={trial.from.stopId} to={trial.to.stopId} itemId={trial.itemId} />}
          />
          <Way
            does={
              <OwnersOnly>
                <Button onClick={leave}>Do not try it</Button>
              </OwnersOnly>
            }
            words={`${trial.itemLabel} stays as it is.`}
            seconds={<span>nothing to load</span>}
          />
        </ul>
      )}
      <p className="mt-4 max-w-prose text-muted">
        Read the line to your helper. Pinion out of mesh or propeller off while the ESC is set. Let hot parts
        cool. Event rules come first.
      </p>
    </>
  );
}

interface WayProps {
  does: ReactNode;
  /** What is read out to whoever presses the keys. */
  words: string;
  seconds: ReactNode;
}

const Way = ({ does, words, seconds }: WayProps) => (
  <li className="grid grid-cols-[9.5rem_1fr] items-center gap-x-4 border-t border-rule py-3 [&_button,&_a]:w-full">
    <span>{does}</span>
    <span>
      <span className="block text-lg">{words}</span>
      <span className="block text-muted">{seconds}</span>
    </span>
  </li>
);

/** One line that can be called across a pit. */
function helperLine({ itemNumber, itemLabel }: Trial, from: TriedStop, to: TriedStop): string {
  const stop = ({ label, stopNumber }: TriedStop): string =>
    stopNumber === null || String(stopNumber) === label ? label : `${label} (number ${stopNumber})`;
  return `Item ${itemNumber}, ${itemLabel}: from ${stop(from)} to ${stop(to)}.`;
}

/** How long one value takes to load, by the first medium that a hand works. */
function LoadTime({ itemId, from, to }: { itemId: string; from: string; to: string }) {
  const { profile } = useBench();
  const medium = profile.media.find(isByHand);
  const changes = useMemo(() => [{ itemId, fromStopId: from, toStopId: to }], [itemId, from, to]);
  const plan = usePlannedLoad(medium, changes);
  if (!medium) return <span>by link</span>;
  if (!plan) return <span>…</span>;
  return <span>{isPlanned(plan) ? `about ${formatDuration(plan.seconds)}` : 'see Load'}</span>;
}

/** The same change one stop further; undefined where the ESC goes no further, or it would bring a caution or a hazard. */
function useNextStep(trial: Trial, since: readonly NumberedRun[]): Trial | undefined {
  const { profile, rig, believed, memory, rules, goals } = useBench();
  return useMemo(() => {
    const order = inOrder(itemById(profile, trial.itemId), rig.pack.cells);
    const place = (stopId: string): number => order.findIndex(({ id }) => id === stopId);
    const [was, is] = [place(trial.from.stopId), place(trial.to.stopId)];
    const stop = was < 0 || is < 0 || was === is ? undefined : order[is + Math.sign(is - was)];
    const situation = { rig, profile, stops: believed, range: memory.range, rules, goals };
    if (!stop || raises(situation, { itemId: trial.itemId, stopId: stop.id })) return undefined;
    return {
      ...trial,
      id: `${trial.id.slice(0, 60)}-${stop.number}`,
      afterRun: since.at(-1)?.number ?? trial.afterRun,
      from: trial.to,
      to: { stopId: stop.id, stopNumber: stop.number || null, label: stop.label },
      because: 'One more step.',
      // What one more step does was not worked out here.
      predicted: null,
    };
  }, [profile, rig, believed, memory.range, rules, goals, trial, since]);
}
