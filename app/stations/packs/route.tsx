import { packState } from '#core/packs/packState';
import { packWarnings } from '#core/packs/packWarnings';
import type { PackLife } from '#core/packs/shelfPack';
import { readForm, textOf } from '#server/readBody';
import { currentGarage } from '#server/repositories/garages';
import { addPackEntries, findPack, keepPack, MOST_PACKS, packLives } from '#server/repositories/packs';
import { randomUUID } from 'node:crypto';
import { data, Form, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { useYou } from '../../ui/useYou';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { useNow } from '../../ui/useNow';
import { ChargingCautions } from './ChargingCautions';
import { PackFields } from './PackFields';
import { readPack, readPackEntry } from './packForm';
import { packInWords, stateInWords } from './packWords';
import type { Route } from './+types/route';

export async function loader() {
  const garage = await currentGarage();
  return { packs: await packLives(garage.id), now: Date.now() };
}

export async function action({ request }: Route.ActionArgs) {
  const garage = await currentGarage();
  const form = await readForm(request);
  if (textOf(form, 'intent') === 'did') return noteDone(garage.id, form);
  const { pack, problems } = readPack(form, randomUUID());
  if (!pack) return data({ problems, sentence: '' }, { status: 400 });
  const kept = await keepPack(garage.id, pack);
  if (kept === 'sameLabel')
    return refused(`Another pack is called “${pack.label}”. Give this one another label.`);
  if (kept === 'full') return refused(`${MOST_PACKS} packs fit on the shelf.`);
  throw redirect(`/packs/${pack.id}`);
}

async function noteDone(garageId: string, form: FormData) {
  const life = await findPack(garageId, textOf(form, 'packId'));
  if (!life) return refused('That pack is no longer on the shelf.');
  const made = { id: randomUUID(), at: new Date().toISOString() };
  const { entry, problems } = readPackEntry(form, life, made);
  if (problems.length > 0) return data({ problems, sentence: '' }, { status: 400 });
  await addPackEntries(garageId, life.pack.id, [entry]);
  return { problems: [], sentence: `${life.pack.label}: noted.` };
}

const refused = (sentence: string) =>
  data({ problems: [{ path: '', sentence }], sentence: '' }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;
export const meta: Route.MetaFunction = () => [{ title: 'Packs · Live Tune' }];

/** The shelf of packs: how each lies, and what to look at. */
export default function PacksRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { packs } = loaderData;
  const now = useNow(loaderData.now);
  const { answer } = useAnswer(actionData);
  return (
    <Page>
      <h1 className="text-4xl">Packs</h1>
      <p className="mt-1 max-w-2xl text-muted">
        Each pack by the label that stands on it. A run that names it becomes part of its life.
      </p>
      <p className="min-h-6 font-bold text-ok" role="status">
        {answer?.sentence}
      </p>
      <AwayNotice answer={actionData} />
      {answer && <Problems problems={answer.problems} title="Nothing was kept." />}
      {packs.length > 0 && <ChargingCautions />}
      <ul className="mt-4 border-t border-rule empty:hidden">
        {packs.map((life) => (
          <PackRow key={life.pack.id} life={life} now={now} />
        ))}
      </ul>
      <OwnersOnly>
        <details className="mt-6 border-t border-ink pt-3" open={packs.length === 0}>
          <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">
            Put a pack on the shelf
          </summary>
          <Form method="post" noValidate>
            <PackFields pack={undefined} problems={answer?.problems ?? []} />
            <p className="mt-4">
              <Button type="submit" look="main">
                Put it on the shelf
              </Button>
            </p>
          </Form>
        </details>
      </OwnersOnly>
    </Page>
  );
}

function PackRow({ life, now }: { life: PackLife; now: number }) {
  const { pack } = life;
  const { isOwner } = useYou();
  const state = packState(life, now);
  const warnings = packWarnings(life, now);
  const isOut = state.state === 'outOfUse' || warnings.some(({ level }) => level === 'stop');
  return (
    <li className="grid gap-x-5 gap-y-1 border-b border-rule py-3 sm:grid-cols-[minmax(0,1fr)_auto]">
      <div className="min-w-0">
        <Link
          to={`/packs/${pack.id}`}
          className="font-display text-2xl font-bold wrap-anywhere hover:text-draft"
        >
          {pack.label}
        </Link>
        <p className="text-sm text-muted">{packInWords(pack)}</p>
        <p className="font-bold">{stateInWords(state, now)}</p>
        {warnings.map(({ id, level, sentence, remedy }) => (
          <p key={id} className={level === 'stop' ? 'text-hazard' : 'text-caution'}>
            <strong>{sentence}</strong> {remedy}
          </p>
        ))}
      </div>
      {!isOut && isOwner && (
        <Form method="post" className="flex flex-wrap items-center gap-2">
          <input type="hidden" name="intent" value="did" />
          <input type="hidden" name="packId" value={pack.id} />
          {(
            [
              ['onCharger', 'On the charger'],
              ['charged', 'Charged'],
              ['stored', 'At storage'],
            ] as const
          )
            .filter(([doing]) => !(doing === 'onCharger' && (state.isWarm || state.state === 'charging')))
            .map(([doing, words]) => (
              <Button key={doing} type="submit" name="doing" value={doing}>
                {words}
                <span className="sr-only"> {pack.label}</span>
              </Button>
            ))}
          {state.isWarm && <span className="text-caution">Let it cool before it is charged.</span>}
        </Form>
      )}
    </li>
  );
}
