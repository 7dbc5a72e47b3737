import { isByHand, mediumOf, type HandMedium, type ProgramFormMedium } from '#core/esc/media';
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
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Button } from '../../ui/Button';
import { TickBox } from '../../ui/TickBox';
import { useBench } from '../bench/BenchContext';
import { formTasks } from '#core/plan/formLoad';
import { itemById, stopById } from '#core/esc/profile';
import { NoPlan } from './NoPlan';
import { useArrangedLoad } from './useLoadOrder';
import { usePlannedLoad } from './usePlannedLoad';

/** The plan on a page, or on a card for the pit lane: for a helper who sees neither screen nor reasons. */
export default function PaperRoute() {
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
        <h1 className="text-3xl">No plan for paper</h1>
        {changeCount > 0 && medium && plan && !isPlanned(plan) && (
          <div className="mt-3">
            <NoPlan why={plan} />
          </div>
        )}
        <p className="mt-3 text-lg">
          {changeCount === 0
            ? 'Nothing is drafted. '
            : !medium && 'This ESC is worked by link only: there is nothing for a hand to do. '}
          <Link className="underline" to={`/rigs/${rigId}/load`}>
            Back to Load
          </Link>
        </p>
      </div>
    );
  const { kind } = rig.vehicle;
  return (
    <article className={`px-5 py-6 print:p-0 ${isCard ? 'max-w-sm text-sm' : 'max-w-3xl print:max-w-none'}`}>
      <div className="flex flex-wrap items-center gap-4 print:hidden">
        <Button look="main" onClick={() => window.print()}>
          <Printer className="size-5" aria-hidden="true" />
          Print
        </Button>
        <TickBox on={isCard} onChange={setIsCard} className="text-base">
          as a card for the pit
        </TickBox>
        <Link className="text-base underline underline-offset-4" to={`/rigs/${rigId}/load`}>
          Back to Load
        </Link>
      </div>
      <h1 className={`mt-5 print:mt-0 ${isCard ? 'text-xl' : 'text-3xl'}`}>
        {rig.name}: into the {profile.name}
      </h1>
      <p className="mt-1">About {formatDuration(plan.seconds)}. Tick what is done.</p>
      <section className="mt-3 border-2 border-ink p-3">
        <h2 className={isCard ? 'text-base' : 'text-xl'}>First: make it safe</h2>
        <p>{PRECAUTIONS[kind].join(' Or: ')}</p>
        <p className="mt-1">Hands, hair and cables clear. Transmitter on first, throttle at rest.</p>
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
          If anything answers otherwise: switch it off, stop, and say at which step. Club rules, event rules
          and local law come first.
        </p>
      </section>
    </article>
  );
}

/** What to set in another program, page by page, and a place to write down what it shows then. */
function FormPaper({ medium }: { medium: ProgramFormMedium }) {
  const { rigId, rig, profile, changes } = useBench();
  const load = useArrangedLoad(medium.family);
  return (
    <article className="max-w-3xl px-5 py-6 print:max-w-none print:p-0">
      <div className="flex flex-wrap items-center gap-4 print:hidden">
        <Button look="main" onClick={() => window.print()}>
          <Printer className="size-5" aria-hidden="true" />
          Print
        </Button>
        <Link className="text-base underline underline-offset-4" to={`/rigs/${rigId}/load`}>
          Back to Load
        </Link>
      </div>
      <h1 className="mt-5 text-3xl print:mt-0">
        {rig.name}: into the {profile.name}
      </h1>
      <section className="mt-3 border-2 border-ink p-3">
        <h2 className="text-xl">First: make it safe</h2>
        <p>{PRECAUTIONS[rig.vehicle.kind].join(' Or: ')}</p>
        <p className="mt-1">{medium.plug} Read the form from the ESC before you change anything.</p>
      </section>
      <ByHand steps={load.before.map(handStep)} isCard={false} />
      {formTasks(profile, medium, changes).map((page) => (
        <section key={page.title} className="mt-3 break-inside-avoid">
          <h2 className="border-b border-ink text-xl">{page.title}</h2>
          <table className="w-full">
            <thead>
              <tr className="text-left text-sm">
                <th className="font-normal">set</th>
                <th className="font-normal">from</th>
                <th className="font-normal">to</th>
                <th className="w-40 font-normal">read again, it shows</th>
              </tr>
            </thead>
            <tbody>
              {page.changes.map(({ itemId, fromStopId, toStopId }) => {
                const item = itemById(profile, itemId);
                return (
                  <tr key={itemId} className="border-b border-rule">
                    <td className="py-1">☐ {item.label}</td>
                    <td>{fromStopId === null ? 'unknown' : stopById(item, fromStopId).label}</td>
                    <td className="font-bold">{stopById(item, toStopId).label}</td>
                    <td />
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
      ))}
      <ByHand steps={load.after.map(handStep)} isCard={false} />
      <section className="mt-3 break-inside-avoid border-t-2 border-ink pt-2">
        <h2 className="text-xl">Last</h2>
        <ul>
          {[
            `Press “${medium.sendName}”, and wait until it says that it is done.`,
            `Press “${medium.readName}”, and write down what the form shows.`,
            ...ACCEPTANCE[rig.vehicle.kind],
          ].map((line) => (
            <li key={line} className="py-0.5">
              ☐ {line}
            </li>
          ))}
        </ul>
        <p className="mt-2">
          If anything answers otherwise: switch it off, stop, and say at which step. Club rules, event rules
          and local law come first.
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

/** What is done on the model or its radio, before the ESC has power or after it holds everything. */
function ByHand({ steps, isCard }: { steps: readonly HandStep[]; isCard: boolean }) {
  return (
    <ul className="mt-3">
      {steps.map(({ line, detail }) => (
        <li key={line} className="break-inside-avoid border-t border-rule py-2">
          ☐ <strong>{line}</strong> {!isCard && detail}
        </li>
      ))}
    </ul>
  );
}

/** Some media work before the ESC has learned the radio. */
const NOT_YET_DRIVING =
  'Switch it off. Calibrate its end points before anything else below: until then it does not start to drive.';

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
