import type { EventRules } from '#core/rig/eventRules';
import type { Problem } from '#core/units/problem';
import { nameFault } from '#core/units/text';
import { readForm } from '#server/readBody';
import { deleteRules, keepRules, listRules } from '#server/repositories/eventRules';
import { currentGarage } from '#server/repositories/garages';
import { useEffect, useRef } from 'react';
import { data, Form, useNavigation } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersFields, OwnersOnly } from '../../ui/OwnersOnly';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { useYou } from '../../ui/useYou';
import { FormReader } from '../rig/formReader';
import { INPUT } from '../rig/formParts';
import type { Route } from './+types/route';

export const meta: Route.MetaFunction = () => [{ title: 'Event rules · Live Tune' }];

export async function loader(_args: Route.LoaderArgs) {
  const garage = await currentGarage();
  return listRules(garage.id);
}

export async function action({ request }: Route.ActionArgs) {
  const form = await readForm(request);
  const garage = await currentGarage();
  const id = form.get('id');
  const rulesId = typeof id === 'string' && id !== '' ? id : undefined;
  if (form.get('intent') === 'delete' && rulesId) {
    await deleteRules(garage.id, rulesId);
    return { problems: [], rulesId, sentence: 'Deleted. Rigs that used it have no event rules now.' };
  }
  const { rules, problems } = readRules(form);
  if (problems.length > 0) return data({ problems, rulesId, sentence: '' }, { status: 400 });
  await keepRules(garage.id, rulesId, rules);
  return { problems: [], rulesId, sentence: `“${rules.name}” is kept.` };
}

function readRules(form: FormData): { rules: EventRules; problems: Problem[] } {
  const reader = new FormReader(form);
  const name = reader.text('name');
  const fault = nameFault(name);
  if (fault) reader.refuse('name', `The event ${fault}`);
  const note = reader.text('note').slice(0, 2000);
  const mostCells = reader.optional({ name: 'mostCells', label: 'Most cells', unit: '', least: 1, most: 20 });
  const rules = {
    name,
    noAdvance: reader.has('noAdvance'),
    noReverse: reader.has('noReverse'),
    mostCells: mostCells ?? null,
    note,
  };
  return { rules, problems: reader.problems };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

const NONE: EventRules = { name: '', noAdvance: false, noReverse: false, mostCells: null, note: '' };

/** What events and classes forbid, in the driver's own notes. */
export default function RulesRoute({ loaderData: stored, actionData }: Route.ComponentProps) {
  const { answer } = useAnswer(actionData);
  const { isOwner } = useYou();
  const last = answered(actionData);
  const problemsOf = (id: string | undefined): Problem[] =>
    last?.rulesId === id ? (last?.problems ?? []) : [];
  const newKept = last?.rulesId === undefined && last?.problems.length === 0 ? last : undefined;
  return (
    <Page>
      <h1 className="text-4xl">Event rules</h1>
      <p className="mt-2 max-w-2xl text-muted">
        Your notes on what a class or an event forbids. A rig that uses them shows at once what breaks them.
        The event’s own text, club rules and local law come first.
      </p>
      <p className="min-h-6 font-bold text-ok" role="status">
        {answer?.sentence}
      </p>
      <AwayNotice answer={actionData} />
      <ul className="border-t border-rule empty:hidden">
        {stored.map(({ id, rules }) => (
          <li key={id} className="border-b border-rule py-4">
            <OwnersFields>
              <RulesForm id={id} rules={rules} problems={problemsOf(id)} />
            </OwnersFields>
          </li>
        ))}
      </ul>
      {stored.length === 0 && !isOwner && <p className="text-lg">The owner has entered none yet.</p>}
      <OwnersOnly>
        <h2 className="mt-8 text-2xl">{stored.length === 0 ? 'Enter the first' : 'Enter another'}</h2>
        <RulesForm id={undefined} rules={NONE} problems={problemsOf(undefined)} kept={newKept} />
      </OwnersOnly>
    </Page>
  );
}

function RulesForm({
  id,
  rules,
  problems,
  kept,
}: {
  id: string | undefined;
  rules: EventRules;
  problems: Problem[];
  /** The answer that what was typed here is kept: the next one can be typed then. */
  kept?: object | undefined;
}) {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (kept) form.current?.reset();
  }, [kept]);
  const busy = useNavigation().state !== 'idle';
  const name = rules.name || 'the new one';
  return (
    <Form ref={form} method="post" className="mt-3 grid gap-3" noValidate>
      <Problems
        problems={problems.map((p) => ({ ...p, path: '' }))}
        title="Not saved yet. What you typed is still here."
      />
      <input type="hidden" name="id" value={id ?? ''} />
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <label className="flex items-center gap-2">
          Name
          <input
            name="name"
            defaultValue={rules.name}
            aria-label={`Name of ${name}`}
            placeholder="club series, spec class"
            className={`${INPUT} w-64 max-w-full`}
          />
        </label>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            name="noAdvance"
            defaultChecked={rules.noAdvance}
            className="size-6 accent-draft"
          />
          no timing, boost or turbo
        </label>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            name="noReverse"
            defaultChecked={rules.noReverse}
            className="size-6 accent-draft"
          />
          no reverse
        </label>
        <label className="flex items-center gap-2">
          at most
          <input
            name="mostCells"
            defaultValue={rules.mostCells ?? ''}
            inputMode="numeric"
            aria-label={`Most cells of ${name}`}
            className={`${INPUT} w-16 text-right`}
          />
          cells
        </label>
      </div>
      <label className="block">
        <span className="text-sm text-muted">Notes: where to find the text, other rules</span>
        <textarea
          name="note"
          defaultValue={rules.note}
          rows={2}
          aria-label={`Notes on ${name}`}
          className={`${INPUT} w-full py-2 text-base`}
        />
      </label>
      <OwnersOnly>
        <div className="flex gap-4">
          <Button type="submit" disabled={busy}>
            Keep
          </Button>
          {id && (
            <Button look="quiet" type="submit" name="intent" value="delete" disabled={busy}>
              delete<span className="sr-only"> {rules.name}</span>
            </Button>
          )}
        </div>
      </OwnersOnly>
    </Form>
  );
}
