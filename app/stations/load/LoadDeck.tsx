import type { SimulatedEsc } from '#core/device/simulatedEsc';
import { SHOWS_STORED, type HandMedium } from '#core/esc/media';
import { itemById, type StopByItem } from '#core/esc/profile';
import {
  afterCounted,
  afterStored,
  beginLoad,
  legsLeft,
  legTitle,
  stopsToPlanFrom,
  type Finding,
} from '#core/plan/loadSession';
import { planLegs, planRestart } from '#core/plan/loadPlan';
import { NOTHING_SEEN, watch } from '#core/plan/watch';
import type { Observed } from '#core/procedure/language';
import { stateOf } from '#core/procedure/step';
import { rangeOf } from '#core/radio/pulse';
import { heldStops } from '#core/sheet/evidence';
import { countInWords } from '#core/units/format';
import { useMemo, useRef, useState } from 'react';
import { GuideStep, NextSteps } from '../../simulated/GuideStep';
import { SimulatedEscPanel } from '../../simulated/SimulatedEscPanel';
import { useTopOfPage } from '../../simulated/useTopOfPage';
import { useSimulatedEsc } from '../../simulated/useSimulatedEsc';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { sendBenchRecord } from '../bench/benchRecord';
import { CountBack } from './CountBack';
import { LoadFinished } from './LoadFinished';

interface Props {
  medium: HandMedium;
  precaution: string;
  /** The stop that each drafted item has to have in the end. */
  intents: StopByItem;
  /** Why the sheet was not kept, if the server said so. */
  problem: string | undefined;
}

/** The load itself: one step at a time on the simulated ESC, every value stored, then, where the medium can show it, every value counted back. */
export function LoadDeck({ medium, precaution, intents, problem }: Props) {
  const { rigId, rig, profile, holdings, memory } = useBench();
  useTopOfPage();
  const [session, setSession] = useState(() => {
    const uncounted = profile.items.filter((item) => holdings[item.id]?.basis === 'seenStored');
    return beginLoad(
      heldStops(profile, holdings),
      intents,
      uncounted.map((item) => item.id),
      SHOWS_STORED[medium.family],
    );
  });
  const [surprise, setSurprise] = useState<string>();
  const [away, setAway] = useState(false);
  const watched = useRef(NOTHING_SEEN);
  const unsent = useRef<Finding[]>([]);

  const tell = async (esc: SimulatedEsc, findings: Finding[]): Promise<void> => {
    const seen = [...unsent.current, ...findings];
    unsent.current = [];
    const kept = await sendBenchRecord(rigId, { memory: esc.config.memory, seen });
    if (!kept) unsent.current = [...seen, ...unsent.current];
    setAway(!kept);
  };

  const onObserved = (observed: Observed[], esc: SimulatedEsc): void => {
    const seen = watch(profile, watched.current, observed);
    watched.current = seen.watched;
    if (seen.stored.length === 0) return;
    const { session: next, findings } = afterStored(profile, session, seen.stored);
    const astray = seen.stored.find(({ itemId, stopId }) => session.target[itemId] !== stopId);
    setSurprise(
      astray &&
        `“${itemById(profile, astray.itemId).label}” was set to something else. The plan puts it right.`,
    );
    setSession(next);
    void tell(esc, findings);
  };

  const stick = useMemo(() => rangeOf(rig.channel), [rig.channel]);
  const bench = useSimulatedEsc(profile, memory, stick.neutralMicros, onObserved);
  const { esc } = bench;
  // The guide goes by what was seen and counted, not by the inside of the simulated ESC.
  const resting = useMemo(
    () => ({
      ...bench.resting,
      memory: { ...bench.resting.memory, stops: stopsToPlanFrom(profile, session) },
    }),
    [bench.resting, profile, session],
  );
  const legs = useMemo(() => legsLeft(profile, session), [profile, session]);
  const leg = legs[0];
  const plan = useMemo(
    () => planLegs(esc.machine, resting, legs.slice(0, 2), stick),
    [esc.machine, resting, legs, stick],
  );
  const restart = useMemo(() => planRestart(esc.machine, resting, stick), [esc.machine, resting, stick]);
  const { role } = stateOf(esc.machine, esc.config);
  const [restarted, setRestarted] = useState(false);
  if (!leg && !restarted && role === 'driving') setRestarted(true);

  const showsLeg = leg?.purpose === 'show' && role === 'showingStored' && plan?.legs[0]?.inputs.length === 0;
  const count = (flashes: number): void => {
    if (!leg) return;
    const answer = afterCounted(profile, session, leg.itemId, flashes);
    if (!answer) return;
    const { label } = itemById(profile, leg.itemId);
    const right = answer.finding.stopId === leg.stopId;
    setSurprise(
      right
        ? undefined
        : `“${label}” shows ${countInWords(flashes)}, not what was meant. It is stored again.`,
    );
    setSession(answer.session);
    void tell(esc, [answer.finding]);
  };

  const total = session.concerned.length;
  const { showsStored } = session;
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
        {away && (
          <div className="mt-3" role="alert">
            <Notice
              grade="caution"
              title="The server does not answer. What you see here is kept and sent with the next value."
            />
          </div>
        )}
        <div className="mt-5 flex-1">
          {leg && showsLeg && (
            <CountBack
              key={leg.itemId}
              item={itemById(profile, leg.itemId)}
              medium={medium}
              onCount={count}
            />
          )}
          {leg && !showsLeg && plan && (
            <GuideStep
              medium={medium}
              profile={profile}
              channel={rig.channel}
              gestures={plan.legs.flatMap((l) => l.gestures)}
              sinceMs={esc.config.msInState}
            />
          )}
          {leg && !showsLeg && !plan && (
            <p className="font-display text-4xl font-bold" data-testid="instruction">
              {rig.channel.rest === 'centre' ? 'Let the trigger go.' : 'Stick all the way down.'}
            </p>
          )}
          {!leg && !restarted && restart && (
            <GuideStep profile={profile} channel={rig.channel} gestures={restart.gestures} medium={medium} />
          )}
          {!leg && restarted && (
            <LoadFinished
              medium={medium.family}
              changed={session.concerned}
              problem={problem}
              ready={!away}
            />
          )}
        </div>
        {leg && !showsLeg && plan && (
          <NextSteps
            medium={medium}
            profile={profile}
            channel={rig.channel}
            gestures={plan.legs.flatMap((l) => l.gestures)}
          />
        )}
      </div>
      <div className="grid content-start gap-4">
        <SimulatedEscPanel bench={bench} channel={rig.channel} safe use={medium.family} />
        <section aria-label="This load" className="text-sm">
          <h2 className="text-lg">This load</h2>
          <ol className="mt-1">
            {legs.slice(0, 8).map((next, index) => (
              <li
                key={`${next.purpose} ${next.itemId}`}
                className={`py-0.5 ${index === 0 ? 'font-bold text-draft' : 'text-muted'}`}
              >
                {legTitle(profile, session.held, next)}
              </li>
            ))}
          </ol>
          {legs.length > 8 && <p className="text-muted">and {legs.length - 8} more</p>}
        </section>
        <Notice grade="hazard" title={precaution}>
          <p className="text-sm">The ESC arms again each time it is switched on.</p>
        </Notice>
      </div>
    </div>
  );
}
