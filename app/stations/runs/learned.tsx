import { fieldsOf, type QuantityPath } from '#core/rig/fields';
import { fittedIn, unfitted, withFitted, type FittedNumber } from '#core/rig/fitted';
import { teaches } from '#core/runs/fit/fit';
import { problemsOf } from '#formats/document';
import { fittedNumbersSchema } from '#formats/rig';
import { jsonOf, readForm, textOf } from '#server/readBody';
import { changeRig } from '#server/repositories/rigs';
import { logMetaOf } from '#server/repositories/runLogs';
import { newestRuns } from '#server/repositories/runs';
import { data, Form } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { FittedTable } from './FittedTable';
import { LearnFrom } from './LearnFrom';
import { RunsNav } from './RunsNav';
import type { Route } from './+types/learned';

/** A fit looks at no more runs. */
const RUNS_LOOKED_AT = 12;

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId, rig, profile } = await benchOf(params.rigId);
  const newest = await newestRuns(rigId, RUNS_LOOKED_AT);
  return {
    runs: await Promise.all(
      newest.map(async (one) => {
        const meta = await logMetaOf(rigId, one.number);
        const kinds = meta?.channels.map(({ kind }) => kind);
        return { ...one, hasLog: meta !== undefined, why: teaches({ rig, profile }, one, kinds) ?? null };
      }),
    ),
  };
}

export async function action({ params, request }: Route.ActionArgs) {
  const { rigId, rig } = await benchOf(params.rigId);
  const form = await readForm(request);
  switch (textOf(form, 'intent')) {
    case 'take': {
      const sent = { numbers: jsonOf(form, 'numbers') };
      const problems = problemsOf(fittedNumbersSchema, sent);
      if (problems.length > 0) return data({ problems }, { status: 400 });
      const numbers = sent.numbers as FittedNumber[];
      const has = new Set<string>(fieldsOf(rig).map(({ path }) => path));
      if (numbers.some(({ path }) => !has.has(path))) return refused('This rig has no such number.');
      if (numbers.some(({ quantity }) => quantity.basis !== 'fitted'))
        return refused('These numbers were not fitted.');
      await changeRig(rigId, (now) => withFitted(unfitted(now), numbers));
      return { problems: [] };
    }
    case 'takeBack': {
      const path = textOf(form, 'path') as QuantityPath | '';
      await changeRig(rigId, (now) => (path === '' ? unfitted(now) : unfitted(now, path)));
      return { problems: [] };
    }
    default:
      return refused('That is not possible here.');
  }
}

const refused = (sentence: string) => data({ problems: [{ path: '', sentence }] }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** What the model has learned from its runs, and how it learns more. */
export default function LearnedRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { rig } = useBench();
  const { answer } = useAnswer(actionData);
  const learned = fittedIn(rig);
  return (
    <div className="max-w-5xl px-5 py-5">
      <RunsNav />
      <h1 className="mt-3 text-3xl">What the model has learned</h1>
      <p className="mt-1 max-w-2xl text-muted">
        Runs tell numbers that no label shows. All predictions then use them. You can take each one back.
      </p>
      <AwayNotice answer={actionData} />
      {answer && answer.problems.length > 0 && (
        <Problems problems={answer.problems} title="Nothing was changed." />
      )}
      {learned.length > 0 && (
        <section aria-label="Learned" className="mt-4">
          <FittedTable label="Learned numbers" numbers={learned}>
            {(number) => (
              <OwnersOnly>
                <TakeBack path={number.path} />
              </OwnersOnly>
            )}
          </FittedTable>
          <OwnersOnly>
            <Form method="post" className="mt-3">
              <input type="hidden" name="intent" value="takeBack" />
              <Button look="quiet" type="submit">
                Take all of them back
              </Button>
            </Form>
          </OwnersOnly>
        </section>
      )}
      <OwnersOnly>
        <LearnFrom runs={loaderData.runs} most={RUNS_LOOKED_AT} isFirst={learned.length === 0} />
      </OwnersOnly>
    </div>
  );
}

function TakeBack({ path }: { path: QuantityPath }) {
  return (
    <Form method="post">
      <input type="hidden" name="intent" value="takeBack" />
      <input type="hidden" name="path" value={path} />
      <Button look="quiet" type="submit" className="min-h-0 py-0">
        Take back
      </Button>
    </Form>
  );
}
