import { alikeGroups, deleteAlike, keepAlike } from '#server/repositories/alike';
import { currentGarage } from '#server/repositories/garages';
import { otherRigs } from '#server/repositories/otherSets';
import { readForm, textOf } from '#server/readBody';
import { problemsOf } from '#formats/document';
import { alikeSchema } from '#formats/alike';
import { readNumber } from '#core/units/readNumber';
import { data, Form, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { INPUT } from '../rig/formParts';
import type { Route } from './+types/route';

/** An id that no rig has: all of them are others. */
const NO_RIG = '00000000-0000-0000-0000-000000000000';

export async function loader() {
  const garage = await currentGarage();
  const [groups, rigs] = await Promise.all([alikeGroups(garage.id), otherRigs(garage.id, NO_RIG)]);
  return { groups, rigs: rigs.map(({ rigId, name }) => ({ rigId, name })) };
}

export async function action({ request }: Route.ActionArgs) {
  const garage = await currentGarage();
  const form = await readForm(request);
  const text = (name: string): string => textOf(form, name);
  if (text('intent') === 'delete') {
    await deleteAlike(garage.id, text('groupId'));
    return { problems: [] };
  }
  const numbers = ['busVolts', 'stopM', 'launchS', 'frontPercent'].map((key) => {
    const typed = text(key);
    return [key, typed === '' ? null : readNumber(typed)] as const;
  });
  const wrong = numbers.find(([, number]) => number === undefined);
  if (wrong) return refused(`“${text(wrong[0])}” is not a number.`, wrong[0]);
  const targetName = text('targetName');
  const isTyped = targetName !== '' || numbers.some(([, number]) => number !== null);
  const first = text('first');
  const rigIds = form.getAll('rig').filter((id): id is string => typeof id === 'string' && id !== first);
  const group = {
    name: text('name'),
    rigIds: [first, ...rigIds].filter((id) => id !== ''),
    target: isTyped ? { name: targetName || 'the other model', ...Object.fromEntries(numbers) } : null,
  };
  const problems = problemsOf(alikeSchema, group);
  if (problems.length > 0) return data({ problems }, { status: 400 });
  if (group.rigIds.length < 2 && group.target === null)
    return refused('Choose a second rig, or type what it should feel like.', 'rig');
  const id = await keepAlike(garage.id, undefined, group as Parameters<typeof keepAlike>[2]);
  throw redirect(`/alike/${id!}`);
}

const refused = (sentence: string, path: string) => data({ problems: [{ path, sentence }] }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;
export const meta: Route.MetaFunction = () => [{ title: 'Should match · Live Tune' }];

/** Groups of rigs that ought to be alike. */
export default function AlikeRoute({ loaderData: { groups, rigs }, actionData }: Route.ComponentProps) {
  const { answer } = useAnswer(actionData);
  return (
    <Page>
      <h1 className="text-4xl">Should match</h1>
      <p className="mt-1 max-w-2xl text-muted">
        A pair of cars, a hire fleet, a model that should feel like another. Live Tune says what differs and
        ends it.
      </p>
      <AwayNotice answer={actionData} />
      {answer && <Problems problems={answer.problems} title="Nothing was kept." />}
      <ul className="mt-4">
        {groups.map(({ id, group }) => (
          <li key={id} className="flex flex-wrap items-center gap-4 border-t border-rule py-2">
            <Link to={`/alike/${id}`} className="text-xl underline underline-offset-4">
              {group.name}
            </Link>
            <span className="text-muted">
              {group.rigIds.length} {group.rigIds.length === 1 ? 'rig' : 'rigs'}
              {group.target && ` like ${group.target.name}`}
            </span>
            <OwnersOnly>
              <Form method="post" className="ml-auto">
                <input type="hidden" name="groupId" value={id} />
                <Button type="submit" look="quiet" name="intent" value="delete">
                  Delete<span className="sr-only"> {group.name}</span>
                </Button>
              </Form>
            </OwnersOnly>
          </li>
        ))}
      </ul>
      <OwnersOnly>
        <details className="mt-6 border-t border-ink pt-3" open={groups.length === 0}>
          <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">
            Make a group
          </summary>
          <Form method="post" className="grid max-w-3xl gap-4">
            <label className="flex items-center gap-3">
              Name
              <input name="name" required maxLength={80} placeholder="The pair" className={`${INPUT} w-72`} />
            </label>
            <label className="flex items-center gap-3">
              Like this one
              <select name="first" className={`${INPUT} w-72`}>
                {rigs.map(({ rigId, name }) => (
                  <option key={rigId} value={rigId}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <fieldset>
              <legend className="font-bold">These should match it</legend>
              {rigs.map(({ rigId, name }) => (
                <label key={rigId} className="flex min-h-9 items-center gap-3 border-b border-rule py-1">
                  <input type="checkbox" name="rig" value={rigId} className="size-5 accent-draft" />
                  {name}
                </label>
              ))}
            </fieldset>
            <fieldset className="grid gap-2">
              <legend className="font-bold">Or a model without an ESC here</legend>
              <p className="text-sm text-muted">An engine car, say. Type what you know of it, measured.</p>
              <TargetField name="targetName" label="Its name" unit="" />
              <TargetField name="busVolts" label="Volts on the servo bus" unit="V" />
              <TargetField name="stopM" label="Stop from walking pace" unit="m" />
              <TargetField name="launchS" label="First five metres" unit="s" />
              <TargetField name="frontPercent" label="Weight on the front wheels" unit="%" />
            </fieldset>
            <p>
              <Button type="submit" look="main">
                Keep this group
              </Button>
            </p>
          </Form>
        </details>
      </OwnersOnly>
    </Page>
  );
}

const TargetField = ({ name, label, unit }: { name: string; label: string; unit: string }) => (
  <label className="grid items-center gap-x-3 sm:grid-cols-[14rem_auto]">
    {label}
    <span>
      <input
        name={name}
        inputMode={unit === '' ? 'text' : 'decimal'}
        className={`${INPUT} ${unit === '' ? 'w-72' : 'w-24 text-right'}`}
      />{' '}
      {unit}
    </span>
  </label>
);
