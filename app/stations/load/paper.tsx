import { isByHand, mediumOf, type HandMedium } from '#core/esc/media';
import { handMediumOf, type EscProfile } from '#core/esc/profile';
import { planRestart } from '#core/plan/loadPlan';
import { isPlanned, type NoWay } from '#core/plan/search';
import { planOnPaper, type PaperLeg } from '#core/plan/paperPlan';
import { shortLine } from '#core/plan/instruction';
import { handStep, type HandStep } from '#core/plan/handStep';
import { escMachine } from '#core/procedure/escMachine';
import { rangeOf } from '#core/radio/pulse';
import { ACCEPTANCE, PRECAUTIONS } from '#core/rig/safety';
import { heldStops } from '#core/sheet/evidence';
import { formatDuration } from '#core/units/format';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { PrintBar } from '../../ui/PrintBar';
import { TickBox } from '../../ui/TickBox';
import { BenchOfEsc, useBench } from '../bench/BenchContext';
import { FormPaper } from './FormPaper';
import { NoPlan } from './NoPlan';
import { ByHand } from './paperParts';
import { useArrangedLoad } from './useLoadOrder';
import { usePlannedLoad } from './usePlannedLoad';

/** The plan on a page, or on a card for the pit lane: for a helper who sees neither screen nor reasons. */
export default function PaperRoute() {
  const { escs } = useBench();
  const [params] = useSearchParams();
  const named = Number(params.get('esc') ?? 1);
  return (
    <BenchOfEsc escNumber={escs.some(({ escNumber }) => escNumber === named) ? named : 1}>
      <PaperOfOne />
    </BenchOfEsc>
  );
}

function PaperOfOne() {
  const { rigId, rig, profile, changeCount } = useBench();
  const [isCard, setIsCard] = useState(false);
  const [params] = useSearchParams();
  const medium = chosenMedium(profile, params.get('by'));
  const form = mediumOf(profile.media, 'programForm');
  const plan = usePaperPlan(medium);
  if (form && changeCount > 0 && (params.get('by') === 'programForm' || !medium))
    return <FormPaper medium={form} />;
  if (medium && plan === undefined && changeCount > 0)
    return <p className="px-5 py-6 text-lg">Working out the plan…</p>;
  if (!medium || !plan || !isPlanned(plan) || changeCount === 0)
    return (
      <div className="max-w-3xl px-5 py-6">
        <h1 className="text-3xl">No plan to print</h1>
        {changeCount > 0 && medium && plan && !isPlanned(plan) && (
          <div className="mt-3">
            <NoPlan why={plan} />
          </div>
        )}
        <p className="mt-3 text-lg">
          {changeCount === 0
            ? 'Nothing is drafted. '
            : !medium && 'This ESC is set by link only. There are no steps to print. '}
          <Link className="underline" to={`/rigs/${rigId}/load`}>
            Back to Load
          </Link>
        </p>
      </div>
    );
  const { kind } = rig.vehicle;
  return (
    <article className={`px-5 py-6 print:p-0 ${isCard ? 'max-w-sm text-sm' : 'max-w-3xl print:max-w-none'}`}>
      <PrintBar back={[`/rigs/${rigId}/load`, 'Back to Load']}>
        <TickBox on={isCard} onChange={setIsCard} className="text-base">
          as a pit card
        </TickBox>
      </PrintBar>
      <h1 className={`mt-5 print:mt-0 ${isCard ? 'text-xl' : 'text-3xl'}`}>
        {rig.name}: into the {profile.name}
      </h1>
      <p className="mt-1">About {formatDuration(plan.seconds)}. Tick what is done.</p>
      <section className="mt-3 border-2 border-ink p-3">
        <h2 className={isCard ? 'text-base' : 'text-xl'}>First make it safe</h2>
        <p>{PRECAUTIONS[kind].join(' Or: ')}</p>
        <p className="mt-1">Keep hands, hair and cables clear. Transmitter on first, throttle at rest.</p>
      </section>
      <ByHand steps={plan.before} isCard={isCard} />
      <ol className="mt-3">
        {plan.legs.map((leg, place) => (
          <Leg key={place} leg={leg} isCard={isCard} />
        ))}
      </ol>
      <ByHand steps={plan.after} isCard={isCard} />
      <section className="mt-3 break-inside-avoid border-t-2 border-ink pt-2">
        <h2 className={isCard ? 'text-base' : 'text-xl'}>Last</h2>
        <ul>
          {[...plan.restart, ...ACCEPTANCE[kind]].map((line) => (
            <li key={line} className="py-0.5">
              ☐ {line}
            </li>
          ))}
        </ul>
        <p className="mt-2">
          If anything differs: switch it off, stop, and note the step. Club rules, event rules and local law
          come first.
        </p>
      </section>
    </article>
  );
}

/** The medium that Load was asked for, where a hand works it; else the first that one does. */
const chosenMedium = (profile: EscProfile, family: string | null): HandMedium | undefined =>
  profile.media.find((one): one is HandMedium => one.family === family && isByHand(one)) ??
  handMediumOf(profile);

function Leg({ leg: { title, steps, countBack }, isCard }: { leg: PaperLeg; isCard: boolean }) {
  return (
    <li className="break-inside-avoid border-t border-rule py-2">
      <h2 className={isCard ? 'text-base' : 'text-xl'}>{title}</h2>
      <ol>
        {steps.map(({ line, answer }, place) => (
          <li key={place} className="py-0.5">
            ☐ <strong>{line}</strong> {!isCard && answer}
          </li>
        ))}
      </ol>
      {countBack !== undefined && <p className="py-0.5 font-bold">☐ {countBack}</p>}
    </li>
  );
}

/** Some media work before the ESC has learned the radio. */
const NOT_YET_DRIVING = 'Switch it off. Calibrate its end points first: until then it does not drive.';

interface PaperPlan {
  before: HandStep[];
  after: HandStep[];
  seconds: number;
  legs: PaperLeg[];
  restart: string[];
}

/** @returns undefined while it is not worked out yet, and where no hand works this ESC */
function usePaperPlan(medium: HandMedium | undefined): PaperPlan | NoWay | undefined {
  const { profile, rig, holdings } = useBench();
  const load = useArrangedLoad(medium?.family ?? 'link');
  const plan = usePlannedLoad(medium, load.changes);
  return useMemo(() => {
    if (!medium || !plan) return undefined;
    if (!isPlanned(plan)) return plan;
    const restart = planRestart(escMachine(profile), plan.end, rangeOf(rig.channel), medium.family);
    return {
      before: load.before.map(handStep),
      after: load.after.map(handStep),
      seconds: plan.seconds + (isPlanned(restart) ? restart.seconds : 0),
      legs: planOnPaper(profile, rig.channel, heldStops(profile, holdings), plan.legs, medium),
      restart: isPlanned(restart)
        ? restart.gestures.map((gesture) => shortLine(profile, rig.channel, gesture, medium))
        : [NOT_YET_DRIVING],
    };
  }, [medium, plan, load, profile, rig.channel, holdings]);
}
