import type { SimulatedEsc } from '#core/device/simulatedEsc';
import type { HandMedium } from '#core/esc/media';
import { itemById, type WantedStops } from '#core/esc/profile';
import { legsLeft, legTitle, stopsToPlanFrom } from '#core/plan/loadSession';
import type { Gesture } from '#core/plan/gestures';
import type { LoadProgress } from '#core/plan/loadProgress';
import { planLegs, planRestart, type LoadPlan, type PlannedRestart } from '#core/plan/loadPlan';
import { isPlanned, type NoWay } from '#core/plan/search';
import type { Config } from '#core/procedure/language';
import { stateOf } from '#core/procedure/step';
import { rangeOf } from '#core/radio/pulse';
import type { HandValues } from '#core/rig/handValues';
import { useMemo, useState, type ReactNode } from 'react';
import { GuideStep, NextSteps } from '../../simulated/GuideStep';
import { useTopOfPage } from '../../simulated/useTopOfPage';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { CountBack } from './CountBack';
import { NoPlan } from './NoPlan';
import { LoadFinished } from './LoadFinished';
import type { Where } from './where';
import { useLoadOrder } from './useLoadOrder';

/** What both decks are given. */
export interface LoadProps {
  medium: HandMedium;
  precaution: string;
  where: Where;
  /** The stop that each drafted item has to have in the end. */
  intents: WantedStops;
  /** What is to be done by hand when all is stored. */
  after: HandValues;
  /** Goes on with another ESC of the model. */
  onNext: () => void;
}

/** What the load is at. */
interface Now {
  /** The step that is due, if the hand has one. */
  due: Gesture | undefined;
  /** The item that it is about. */
  itemId: string | undefined;
  /** Whether the ESC shows its stored value, and waits to be counted. */
  isShowing: boolean;
}

/** How far it is, and what the server has of it. */
interface LoadShown extends Pick<LoadProgress, 'session' | 'surprise'> {
  trouble: 'away' | 'refused' | undefined;
  isTelling: boolean;
  onCounted: (esc: SimulatedEsc, itemId: string, flashes: number) => void;
}

interface Props extends Omit<LoadProps, 'intents'> {
  load: LoadShown;
  /** Under which its sheet is kept; undefined where only this page has it. */
  loadId?: string;
  /** Whether this device counts back; another may. */
  counts?: boolean;
  esc: SimulatedEsc;
  /** The config when no key was down. */
  resting: Config;
  /** What the hand works, beside the guide. */
  beside: (now: Now) => ReactNode;
  /** What may be tried out of turn, below all else. */
  below?: (due: Gesture | undefined) => ReactNode;
}

/** The load itself: one step at a time, every value stored, then, where the medium can show it, every value counted back. */
export function LoadDeck({
  medium,
  precaution,
  where,
  after,
  onNext,
  load,
  loadId,
  counts = true,
  esc,
  resting: atRest,
  beside,
  below,
}: Props) {
  const { rig, profile } = useBench();
  const { session, surprise, trouble, isTelling } = load;
  useTopOfPage();
  const stick = useMemo(() => rangeOf(rig.channel), [rig.channel]);
  // The guide goes by what was seen and counted, not by the inside of the ESC on the page.
  const resting = useMemo(
    () => ({ ...atRest, memory: { ...atRest.memory, stops: stopsToPlanFrom(profile, session) } }),
    [atRest, profile, session],
  );
  const { itemCursor } = atRest;
  const arranged = useLoadOrder(medium.family);
  const legs = useMemo(
    () =>
      legsLeft(
        profile,
        session,
        (changes) => arranged({ held: stopsToPlanFrom(profile, session), changes, from: itemCursor }).changes,
      ),
    [profile, session, arranged, itemCursor],
  );
  const leg = legs[0];
  const plan = useMemo(
    () => planLegs(esc.machine, resting, legs.slice(0, 2), stick, medium.family),
    [esc.machine, resting, legs, stick, medium.family],
  );
  const restart = useMemo(
    () => planRestart(esc.machine, resting, stick, medium.family),
    [esc.machine, resting, stick, medium.family],
  );
  const { role } = stateOf(esc.machine, esc.config);
  const [restarted, setRestarted] = useState(false);
  if (!leg && !restarted && role === 'driving') setRestarted(true);

  const showsLeg =
    leg?.purpose === 'show' &&
    role === 'showingStored' &&
    isPlanned(plan) &&
    plan.legs[0]?.inputs.length === 0;
  const gestures = gesturesAhead(leg ? plan : restart);
  const due = showsLeg || (!leg && restarted) ? undefined : gestures[0];

  const total = session.concerned.length;
  const { showsStored } = session;
  const titles = legs.map((next) => legTitle(profile, session.held, next));
  return (
    <div className="grid flex-1 gap-6 px-5 py-6 lg:grid-cols-[1fr_22rem] lg:px-8">
      <div className="flex min-w-0 flex-col">
        <h1 className="sr-only">Loading</h1>
        <p className="text-muted" data-testid="progress">
          {leg ? legTitle(profile, session.held, leg) : 'Nothing left to do'} ·{' '}
          {showsStored
            ? `${session.counted.length} of ${total} counted back`
            : `${total - legs.length} of ${total} heard stored`}
        </p>
        {surprise && (
          <div className="mt-3" role="alert">
            <Notice grade="caution" title={surprise} />
          </div>
        )}
        {trouble && (
          <div className="mt-3" role="alert">
            <Notice
              grade="caution"
              title={
                trouble === 'away'
                  ? 'The server does not answer. What you see is kept, and sent when it is back.'
                  : 'This rig now has another ESC or another revision of it.'
              }
            >
              {trouble === 'refused' && (
                <p>
                  This page cannot note what you stored since. Reload it, and enter what you saw under “What
                  the ESC holds”.
                </p>
              )}
            </Notice>
          </div>
        )}
        <div className="mt-5 flex-1">
          {leg && showsLeg && !counts && (
            <p className="font-display text-3xl font-bold">The flashes are counted back.</p>
          )}
          {leg && showsLeg && counts && (
            <CountBack
              key={leg.itemId}
              item={itemById(profile, leg.itemId)}
              medium={medium}
              onCount={(flashes) => load.onCounted(esc, leg.itemId, flashes)}
            />
          )}
          {leg && !showsLeg && isPlanned(plan) && (
            <GuideStep
              medium={medium}
              profile={profile}
              channel={rig.channel}
              gestures={gestures}
              sinceMs={esc.config.msInState}
            />
          )}
          {leg &&
            !showsLeg &&
            !isPlanned(plan) &&
            (resting.stickMicros === stick.neutralMicros ? <NoPlan why={plan} /> : <ToRest />)}
          {!leg && !restarted && isPlanned(restart) && (
            <GuideStep profile={profile} channel={rig.channel} gestures={gestures} medium={medium} />
          )}
          {!leg && (restarted || !isPlanned(restart)) && (
            <LoadFinished
              medium={medium.family}
              where={where}
              after={after}
              changed={session.concerned}
              ready={!isTelling}
              arms={restarted}
              loadId={loadId}
              onNext={onNext}
            />
          )}
        </div>
        <div className="grid gap-6 text-sm sm:grid-cols-2">
          {leg && !showsLeg && isPlanned(plan) && (
            <NextSteps medium={medium} profile={profile} channel={rig.channel} gestures={gestures} />
          )}
          <ThisLoad titles={titles} className="max-lg:hidden" />
        </div>
      </div>
      <div className="grid content-start gap-4">
        {beside({ due, itemId: leg?.itemId, isShowing: showsLeg })}
        <Notice grade="hazard" title={precaution}>
          <p className="text-sm">The ESC arms again at each power-on.</p>
        </Notice>
        <ThisLoad titles={titles} className="text-sm lg:hidden" />
        {below?.(due)}
      </div>
    </div>
  );
}

const gesturesAhead = (plan: LoadPlan | PlannedRestart | NoWay): Gesture[] => {
  if (!isPlanned(plan)) return [];
  return 'legs' in plan ? plan.legs.flatMap((leg) => leg.gestures) : plan.gestures;
};

/** The throttle is where no menu opens. */
function ToRest() {
  const { rig } = useBench();
  return (
    <p className="font-display text-4xl font-bold" data-testid="instruction">
      {rig.channel.rest === 'centre' ? 'Release the trigger.' : 'Stick all the way down.'}
    </p>
  );
}

const LEGS_SHOWN = 8;

/** What is left of this load, the next first. */
function ThisLoad({ titles, className }: { titles: readonly string[]; className: string }) {
  if (titles.length === 0) return null;
  return (
    <section aria-label="This load" className={className}>
      <h2 className="text-lg">This load</h2>
      <ol className="mt-1">
        {titles.slice(0, LEGS_SHOWN).map((title, index) => (
          <li
            key={`${index} ${title}`}
            className={`py-0.5 ${index === 0 ? 'font-bold text-draft' : 'text-muted'}`}
          >
            {title}
          </li>
        ))}
      </ol>
      {titles.length > LEGS_SHOWN && <p className="text-muted">and {titles.length - LEGS_SHOWN} more</p>}
    </section>
  );
}
