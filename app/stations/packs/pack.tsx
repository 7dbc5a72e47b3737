import { chargeMinutes, storageMinutes } from '#core/packs/charging';
import { packFigures, type AtTime } from '#core/packs/packFigures';
import { packState } from '#core/packs/packState';
import { weakestInWords } from '#core/packs/weakestCell';
import { chargeRefusal, packWarnings } from '#core/packs/packWarnings';
import { PACK_DOINGS, type PackDoing, type PackLife } from '#core/packs/shelfPack';
import { chargeAt } from '#core/physics/pack';
import { formatDuration, withUnit } from '#core/units/format';
import { readForm, textOf } from '#server/readBody';
import { currentGarage } from '#server/repositories/garages';
import { addPackEntries, deletePack, dropPackEntry, findPack, keepPack } from '#server/repositories/packs';
import { randomUUID } from 'node:crypto';
import { data, Form, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { Confirm } from '../../ui/Confirm';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { useYou } from '../../ui/useYou';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { Time } from '../../ui/Time';
import { useAnswer } from '../../ui/useAnswer';
import { useNow } from '../../ui/useNow';
import { INPUT } from '../rig/formParts';
import { ChargingCautions } from './ChargingCautions';
import { PackFields } from './PackFields';
import { PackPlot } from './PackPlot';
import { readPack, readPackEntry } from './packForm';
import { packInWords, stateInWords } from './packWords';
import { PutIntoRig } from './PutIntoRig';
import { putIntoRig, rigsForPack, type RigForPack } from './putIntoRig.server';
import type { Route } from './+types/pack';

async function lifeOf(garageId: string, packId: string): Promise<PackLife> {
  const life = await findPack(garageId, packId);
  if (!life) throw data(null, { status: 404 });
  return life;
}

export async function loader({ params }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const life = await lifeOf(garage.id, params.packId);
  return { life, rigs: await rigsForPack(garage.id, life.pack), now: Date.now() };
}

export async function action({ params, request }: Route.ActionArgs) {
  const garage = await currentGarage();
  const life = await lifeOf(garage.id, params.packId);
  const form = await readForm(request);
  switch (textOf(form, 'intent')) {
    case 'did': {
      const made = { id: randomUUID(), at: new Date().toISOString() };
      const { entry, problems } = readPackEntry(form, life, made);
      if (problems.length > 0) return data({ problems, sentence: '' }, { status: 400 });
      await addPackEntries(garage.id, life.pack.id, [entry]);
      return { problems: [], sentence: 'Noted.' };
    }
    case 'take back':
      await dropPackEntry(garage.id, life.pack.id, textOf(form, 'entryId'));
      return { problems: [], sentence: 'Taken back.' };
    case 'change':
      return change(garage.id, life, form);
    case 'into rig': {
      const name = await putIntoRig(garage.id, textOf(form, 'rigId'), life);
      return name === undefined
        ? refused('That rig takes no such pack, or is no longer there.')
        : { problems: [], sentence: `${name} counts with ${life.pack.label} now.` };
    }
    case 'delete':
      await deletePack(garage.id, life.pack.id);
      throw redirect('/packs');
    default:
      return refused('That is not possible with a pack.');
  }
}

async function change(garageId: string, life: PackLife, form: FormData) {
  const { pack, problems } = readPack(form, life.pack.id);
  if (!pack) return data({ problems, sentence: '' }, { status: 400 });
  const isUsed = life.runs.length > 0 || life.entries.length > 0;
  if (isUsed && (pack.cells !== life.pack.cells || pack.chemistry !== life.pack.chemistry))
    return refused(
      'Its cells and chemistry cannot change once it has a life. Put it on the shelf as another pack.',
    );
  const kept = await keepPack(garageId, pack);
  if (kept === 'sameLabel') return refused(`Another pack is called “${pack.label}”.`);
  if (kept === 'used')
    return refused(`Runs name it “${life.pack.label}”. Leave that label, or its life is lost.`);
  return { problems: [], sentence: 'Kept.' };
}

const refused = (sentence: string) =>
  data({ problems: [{ path: '', sentence }], sentence: '' }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;
export const meta: Route.MetaFunction = () => [{ title: 'Pack · Live Tune' }];

/** One pack: how it lies, what to do with it, and its life. */
export default function PackRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { life, rigs } = loaderData;
  const { pack } = life;
  const now = useNow(loaderData.now);
  const { answer } = useAnswer(actionData);
  return (
    <Page>
      <p>
        <Link to="/packs" className="underline underline-offset-4">
          All packs
        </Link>
      </p>
      <h1 className="mt-2 text-4xl wrap-anywhere">{pack.label}</h1>
      <p className="text-muted">{packInWords(pack)}</p>
      <p className="mt-1 text-xl font-bold">{stateInWords(packState(life, now), now)}</p>
      <p className="min-h-6 font-bold text-ok" role="status">
        {answer?.sentence}
      </p>
      <AwayNotice answer={actionData} />
      {answer && <Problems problems={answer.problems} title="Nothing was kept." />}
      <Warnings life={life} now={now} />
      <div className="mt-4 grid gap-8 lg:grid-cols-2">
        <OwnersOnly>
          <EntryForm key={life.entries.length} life={life} now={now} />
        </OwnersOnly>
        <div className="min-w-0">
          <Times life={life} />
          <Figures life={life} rigs={rigs} />
        </div>
      </div>
      <Life life={life} />
      <OwnersOnly>
        <PutIntoRig pack={pack} rigs={rigs} />
        <details className="mt-6 border-t border-ink pt-3">
          <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">
            Change what it is
          </summary>
          <Form method="post" noValidate>
            <input type="hidden" name="intent" value="change" />
            <PackFields pack={pack} problems={answer?.problems ?? []} />
            <p className="mt-4 flex flex-wrap gap-4">
              <Button type="submit">Keep</Button>
              <Button look="quiet" asChild>
                <a href={`/packs/${pack.id}.json`}>Save as a file</a>
              </Button>
            </p>
          </Form>
          <p className="mt-3">
            <Confirm
              trigger={<Button look="quiet">Take it from the shelf</Button>}
              title={`Take “${pack.label}” from the shelf?`}
              text="Its life goes with it. Runs that name it stay."
              method="post"
              fields={{ intent: 'delete' }}
              yes="Take it away"
              no="Leave it"
            />
          </p>
        </details>
      </OwnersOnly>
    </Page>
  );
}

const Warnings = ({ life, now }: { life: PackLife; now: number }) => (
  <div className="mt-2 grid gap-2 empty:hidden">
    {packWarnings(life, now).map(({ id, level, sentence, remedy }) => (
      <Notice key={id} grade={level === 'stop' ? 'hazard' : 'caution'} title={sentence}>
        <p>{remedy}</p>
      </Notice>
    ))}
  </div>
);

/** In the order in which they happen. */
const OFFERED: readonly PackDoing[] = ['onCharger', 'charged', 'stored', 'checked', 'puffed', 'retired'];

function EntryForm({ life, now }: { life: PackLife; now: number }) {
  const { pack } = life;
  const offered = OFFERED.filter((doing) => chargeRefusal(life, doing, now) === undefined);
  return (
    <section aria-label="Note what was done" className="min-w-0">
      <h2 className="text-2xl">Note what was done</h2>
      <div className="mt-2">
        <ChargingCautions />
      </div>
      <Form method="post" className="mt-3 grid gap-3" noValidate>
        <input type="hidden" name="intent" value="did" />
        <label className="block">
          <span className="block">Volts of each cell at rest, off any checker</span>
          <input
            name="cellVolts"
            inputMode="text"
            autoComplete="off"
            placeholder={Array.from({ length: Math.min(pack.cells, 4) }, () => '3.82').join(' ')}
            className={`${INPUT} w-full`}
          />
        </label>
        <label className="block">
          <span className="block">Resistance of each cell, mΩ, off the charger</span>
          <input name="cellMilliohms" autoComplete="off" className={`${INPUT} w-full`} />
        </label>
        <label className="block">
          <span className="block">Words</span>
          <input name="note" maxLength={2000} className={`${INPUT} w-full`} />
        </label>
        <p className="flex flex-wrap gap-2">
          {offered.map((doing) => (
            <Button key={doing} type="submit" name="doing" value={doing}>
              {doing === 'checked' ? 'only checked' : PACK_DOINGS[doing]}
            </Button>
          ))}
        </p>
      </Form>
    </section>
  );
}

/** How long its charger takes. */
function Times({ life: { pack, entries } }: { life: PackLife }) {
  const last = entries.findLast(({ cellVolts }) => cellVolts.length > 0);
  const lowest = last && Math.min(...last.cellVolts);
  const charge = lowest === undefined ? undefined : chargeAt(pack.chemistry, lowest);
  const minutes = (value: number): string => formatDuration(60 * Math.round(value));
  const toStorage = charge === undefined ? undefined : storageMinutes(pack, charge, null);
  return (
    <section aria-label="Charging times">
      <h2 className="text-2xl">Charging times</h2>
      <dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-4">
        <dt>From empty, at {withUnit(pack.chargeAmps, 'A', 1)}</dt>
        <dd className="font-bold">{minutes(chargeMinutes(pack))}</dd>
        {charge !== undefined && lowest !== undefined && charge < 0.98 && (
          <>
            <dt>From {withUnit(lowest, 'V', 2)} a cell, as read last</dt>
            <dd className="font-bold">{minutes(chargeMinutes(pack, charge))}</dd>
          </>
        )}
        {toStorage !== undefined && (
          <>
            <dt>From there up to storage voltage</dt>
            <dd className="font-bold">{minutes(toStorage)}</dd>
          </>
        )}
      </dl>
      <p className="mt-1 text-sm text-muted">
        By rule of thumb: four fifths at full current, the rest at half of it. Balancing takes longer.
      </p>
    </section>
  );
}

function Figures({ life, rigs }: { life: PackLife; rigs: readonly RigForPack[] }) {
  const { cycles, runCount, minutes, deepest, milliohms, spread } = packFigures(life);
  return (
    <section aria-label="So far" className="mt-5">
      <h2 className="text-2xl">So far</h2>
      <dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-4">
        <dt>Cycles, about</dt>
        <dd className="font-bold">{cycles}</dd>
        <dt>Runs noted</dt>
        <dd className="font-bold">
          {runCount}
          {minutes > 0 && `, ${withUnit(minutes, 'min', 0)}`}
        </dd>
        {deepest && (
          <>
            <dt>Deepest, a cell {deepest.how === 'atRest' ? 'at rest' : 'under load'}</dt>
            <dd className="font-bold">{withUnit(deepest.value, 'V', 2)}</dd>
          </>
        )}
      </dl>
      <Grown title="Resistance of its worst cell" unit="mΩ" decimals={1} series={milliohms} />
      <Grown title="Between its highest and lowest cell" unit="V" decimals={2} series={spread} />
      {rigs.map(({ rigId, name, cutoffVoltsPerCell }) => {
        const weakest = weakestInWords(life, name, cutoffVoltsPerCell);
        return (
          weakest && (
            <p key={rigId} className={`mt-2 ${weakest.isTooLow ? 'font-bold text-caution' : ''}`}>
              {weakest.sentence}
            </p>
          )
        );
      })}
    </section>
  );
}

interface GrownProps {
  title: string;
  unit: string;
  decimals: number;
  series: readonly AtTime[];
}

/** A number over time: in words, and as a small plot once there are two. */
function Grown({ title, unit, decimals, series }: GrownProps) {
  const [first, last] = [series[0], series.at(-1)];
  if (!first || !last) return null;
  return (
    <div className="mt-3">
      <p>
        {title}: <strong>{withUnit(last.value, unit, decimals)}</strong>
        {series.length > 1 && ` · ${withUnit(first.value, unit, decimals)} at first`}
      </p>
      {series.length > 1 && <PackPlot series={series} unit={unit} decimals={decimals} title={title} />}
    </div>
  );
}

interface Happened {
  at: string;
  words: string;
  entryId: string | undefined;
  to: string | undefined;
}

/** All that happened, the newest first. */
function Life({ life: { entries, runs } }: { life: PackLife }) {
  const { isOwner } = useYou();
  const all = [
    ...entries.map(({ id, at, doing, cellVolts, cellMilliohms, note }): Happened => ({
      at,
      entryId: id,
      to: undefined,
      words: [
        PACK_DOINGS[doing],
        ...(cellVolts.length > 0 ? [`${cellVolts.join(' ')}\u00a0V`] : []),
        ...(cellMilliohms.length > 0 ? [`${cellMilliohms.join(' ')}\u00a0mΩ`] : []),
        ...(note === '' ? [] : [note]),
      ].join(' · '),
    })),
    ...runs.map(({ drivenAt, rigId, rigName, number, minutes }): Happened => ({
      at: drivenAt,
      entryId: undefined,
      to: `/rigs/${rigId}/runs/${number}`,
      words: `${rigName}, run ${number}${minutes === null ? '' : `, ${withUnit(minutes, 'min', 1)}`}`,
    })),
  ].toSorted((a, b) => Date.parse(b.at) - Date.parse(a.at));
  if (all.length === 0) return null;
  return (
    <section aria-label="Its life" className="mt-8">
      <h2 className="text-2xl">Its life</h2>
      <ul className="mt-2 border-t border-rule">
        {all.slice(0, SHOWN).map(({ at, words, entryId, to }) => (
          <li key={entryId ?? to} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5">
            <span className="text-muted">
              <Time iso={at} />
            </span>
            {to ? (
              <Link to={to} className="underline underline-offset-4">
                {words}
              </Link>
            ) : (
              <span>{words}</span>
            )}
            {entryId && isOwner && (
              <Form method="post" className="ml-auto">
                <input type="hidden" name="entryId" value={entryId} />
                <Button type="submit" look="quiet" name="intent" value="take back" className="text-sm">
                  take back<span className="sr-only"> {words}</span>
                </Button>
              </Form>
            )}
          </li>
        ))}
      </ul>
      {all.length > SHOWN && <p className="mt-1 text-muted">{all.length - SHOWN} older are in its file.</p>}
    </section>
  );
}

const SHOWN = 60;
