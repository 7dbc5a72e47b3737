import { nameFault, plainWords } from '#core/units/text';
import { unlikeConditions, conditionsOf } from '#core/setUps/conditions';
import { fittingSetUp, reasonIn, SET_UP_ORIGINS, stepsBetween, type SetUp } from '#core/setUps/setUp';
import { setUpTable } from '#core/setUps/setUpTable';
import { HAND_VALUE_KEYS, HAND_VALUES } from '#core/rig/handValues';
import { LONGEST_REASON } from '#core/sheet/intents';
import { readForm, textOf } from '#server/readBody';
import { describeSetUp, findSetUp } from '#server/repositories/setUps';
import { useState, type ReactNode } from 'react';
import { data, Form, Link } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { DataTable } from '../../ui/DataTable';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Problems } from '../../ui/Problems';
import { Time } from '../../ui/Time';
import { useAnswer } from '../../ui/useAnswer';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { INPUT } from '../rig/formParts';
import { ShelfNav } from '../sheets/ShelfNav';
import { ConditionList } from './ConditionList';
import { Steps } from './Steps';
import { TakeSetUp } from './TakeSetUp';
import type { Route } from './+types/setUp';

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const stored = await findSetUp(rigId, params.setUpId);
  if (!stored) throw data(null, { status: 404 });
  const { setUp } = stored;
  const parent = setUp.parentId === null ? undefined : await findSetUp(rigId, setUp.parentId);
  return { setUp, parent: parent?.setUp };
}

export async function action({ params, request }: Route.ActionArgs) {
  const { rigId } = await benchOf(params.rigId);
  const stored = await findSetUp(rigId, params.setUpId);
  if (!stored) throw data(null, { status: 404 });
  const form = await readForm(request);
  const text = (name: string): string => textOf(form, name);
  const name = text('name');
  const fault = nameFault(name);
  if (fault !== undefined) return refused(`The set-up ${fault}`, 'name');
  const { setUp } = stored;
  const keys = [...setUp.values.map(({ itemId }) => itemId), ...Object.keys(setUp.byHand)];
  const reasons = Object.fromEntries(
    keys.flatMap((key) => {
      const reason = text(`reason-${key}`).slice(0, LONGEST_REASON);
      return reason === '' ? [] : [[key, reason] as const];
    }),
  );
  const [isFor, by, note] = ['isFor', 'by', 'note'].map((one) => text(one).slice(0, 1000));
  await describeSetUp(rigId, setUp.id, { name, isFor: isFor!, by: by!, note: note!, reasons });
  return { problems: [], sentence: 'Saved.' as string | undefined };
}

const refused = (sentence: string, path: string) =>
  data({ problems: [{ path, sentence }], sentence: undefined }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** One set-up: its values, why each was chosen, and what it would change. */
export default function SetUpRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { setUp, parent } = loaderData;
  const { rigId, rig, goals, profile } = useBench();
  const { answer } = useAnswer(actionData);
  /** What the last save had answered when the form was opened: it closes with the next that is kept. */
  const [opened, setOpened] = useState<{ before: unknown }>();
  const isKept = actionData !== opened?.before && answered(actionData)?.sentence !== undefined;
  const isWriting = opened !== undefined && !isKept;
  const { gone } = fittingSetUp(profile, setUp);
  const unlike = unlikeConditions(setUp.conditions, conditionsOf(rig, goals));
  return (
    <article className="max-w-5xl px-5 py-6">
      <ShelfNav />
      <p className="mt-4">
        <Link to={`/rigs/${rigId}/set-ups`} className="underline underline-offset-4">
          All set-ups
        </Link>
      </p>
      <h1 className="text-3xl wrap-anywhere">{setUp.name}</h1>
      <p className="text-muted">
        {SET_UP_ORIGINS[setUp.origin]}, <Time iso={setUp.madeAt} /> · {setUp.profileName}, revision{' '}
        {setUp.profileRevision}
      </p>
      {setUp.isFor && <p>For {setUp.isFor}</p>}
      {setUp.by && <p>From {setUp.by}</p>}
      {setUp.note && <p className="max-w-2xl whitespace-pre-line">{setUp.note}</p>}
      <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <OwnersOnly>
          <TakeSetUp setUp={setUp} isMain />
        </OwnersOnly>
        <Ways setUp={setUp} />
      </div>
      <div className="mt-2" aria-live="polite">
        <AwayNotice answer={actionData} />
        {answer?.sentence && <p className="font-bold text-ok">{answer.sentence}</p>}
        {answer && <Problems problems={answer.problems} title="Nothing was saved." />}
      </div>
      {gone.length > 0 && (
        <p className="mt-3 text-caution">
          This revision of the ESC has no place for:{' '}
          {gone.map((value) => `${value.itemLabel} ${value.stopLabel}`).join(', ')}.
        </p>
      )}
      {unlike.length > 0 && <ConditionList rows={unlike} left={setUp.name} right="this rig now" />}
      {parent && (
        <section className="mt-4" aria-label="Where it came from">
          <h2 className="text-xl">Changed from “{parent.name}”</h2>
          <Steps steps={stepsBetween(parent, setUp)} from={parent.name} />
        </section>
      )}
      <h2 className="mt-5 text-xl">Values</h2>
      {isWriting ? (
        <WordsForm setUp={setUp} onLeave={() => setOpened(undefined)} />
      ) : (
        <>
          <Values setUp={setUp} />
          <OwnersOnly>
            <p className="mt-3">
              <Button onClick={() => setOpened({ before: actionData })}>
                Change name, notes and reasons
              </Button>
            </p>
          </OwnersOnly>
        </>
      )}
    </article>
  );
}

function Ways({ setUp: { id } }: { setUp: SetUp }) {
  const { rigId } = useBench();
  const here = `/rigs/${rigId}/set-ups/${id}`;
  const ways: readonly (readonly [to: string, words: string])[] = [
    [`/rigs/${rigId}/compare?b=set-up:${id}`, 'Compare'],
    [`/rigs/${rigId}/translate?from=set-up:${id}`, 'For another ESC'],
    [`${here}/card`, 'Card and code'],
  ];
  return (
    <>
      {ways.map(([to, words]) => (
        <Link key={to} to={to} className="underline underline-offset-4">
          {words}
        </Link>
      ))}
      <a href={`${here}.json`} download className="underline underline-offset-4">
        File
      </a>
      <a href={`${here}.csv`} download className="underline underline-offset-4">
        Table
      </a>
    </>
  );
}

/** Every value with its reason, each to be drafted by itself. */
function Values({ setUp }: { setUp: SetUp }) {
  const rows = setUpTable(setUp);
  const keys = keysOf(setUp);
  return (
    <DataTable
      label="Values of this set-up"
      heads={['item', 'name', 'value', { name: 'meaning', isWide: true }, 'why', 'draft']}
    >
      {rows.map(({ item, label, value, meaning, reason }, place) => (
        <tr key={keys[place]}>
          <td>{item}</td>
          <td>{label}</td>
          <td className="font-bold">{value}</td>
          <td className="text-muted max-md:hidden">
            {plainWords(meaning) === plainWords(value) ? '' : meaning}
          </td>
          <td className="max-md:text-sm">{reason}</td>
          <td>
            <OwnersOnly>
              <TakeOne setUp={setUp} valueKey={keys[place]!} name={label} />
            </OwnersOnly>
          </td>
        </tr>
      ))}
    </DataTable>
  );
}

/** The keys of a set-up's values, in the order of its table. */
const keysOf = ({ values, byHand }: SetUp): string[] => [
  ...values.map(({ itemId }) => itemId),
  ...HAND_VALUE_KEYS.filter((key) => byHand[key] !== undefined),
];

function TakeOne({ setUp, valueKey, name }: { setUp: SetUp; valueKey: string; name: string }) {
  const { profile, rig, drafted, draft, moveAll } = useBench();
  const stopId = fittingSetUp(profile, setUp).stops[valueKey];
  const handKey = HAND_VALUE_KEYS.find((key) => key === valueKey);
  const number = handKey && setUp.byHand[handKey];
  const now = handKey ? (draft.byHand[handKey] ?? HAND_VALUES[handKey].read(rig)) : drafted[valueKey];
  const wanted = handKey ? number : stopId;
  if (wanted === undefined || now === undefined) return <span className="text-muted">not here</span>;
  if (now === wanted) return <span className="text-muted">same</span>;
  const take = (): void =>
    moveAll(
      stopId === undefined ? {} : { [valueKey]: stopId },
      handKey && number !== undefined ? { [handKey]: number } : {},
      { [valueKey]: reasonIn(setUp, valueKey) },
    );
  return (
    <Button look="quiet" onClick={take}>
      Draft<span className="sr-only"> {name}</span>
    </Button>
  );
}

/** What is said of a set-up: its values stay as they are, other values are another set-up. */
function WordsForm({ setUp, onLeave }: { setUp: SetUp; onLeave: () => void }) {
  const keys = keysOf(setUp);
  return (
    <Form method="post" className="grid max-w-3xl gap-3">
      <Line label="Name">
        <input name="name" required maxLength={80} defaultValue={setUp.name} className={`${INPUT} w-full`} />
      </Line>
      <Line label="For where and when">
        <input name="isFor" maxLength={1000} defaultValue={setUp.isFor} className={`${INPUT} w-full`} />
      </Line>
      <Line label="From whom">
        <input name="by" maxLength={1000} defaultValue={setUp.by} className={`${INPUT} w-full`} />
      </Line>
      <Line label="Note">
        <textarea
          name="note"
          rows={3}
          maxLength={1000}
          defaultValue={setUp.note}
          className="w-full rounded-sm border border-muted bg-film p-2"
        />
      </Line>
      <h3 className="text-lg">Why each value</h3>
      {setUpTable(setUp).map(({ label, value }, place) => (
        <Line key={keys[place]} label={`${label}: ${value}`}>
          <input
            name={`reason-${keys[place]!}`}
            maxLength={LONGEST_REASON}
            defaultValue={setUp.reasons[keys[place]!] ?? ''}
            className={`${INPUT} w-full`}
          />
        </Line>
      ))}
      <p className="flex gap-3">
        <Button type="submit" look="main">
          Save
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </p>
    </Form>
  );
}

const Line = ({ label, children }: { label: string; children: ReactNode }) => (
  <label className="grid gap-x-4 gap-y-1 sm:grid-cols-[14rem_1fr] sm:items-center">
    <span>{label}</span>
    {children}
  </label>
);
