import { compareRuns, type ComparedNumber } from '#core/runs/compareRuns';
import { READINGS } from '#core/runs/readings';
import { formatNumber, withUnit } from '#core/units/format';
import { findRun, newestRuns } from '#server/repositories/runs';
import { Form, useSubmit } from 'react-router';
import { Button } from '../../ui/Button';
import { DataTable } from '../../ui/DataTable';
import { benchOf } from '../bench/benchData.server';
import { INPUT } from '../rig/formParts';
import { DifferenceTable } from './DifferenceTable';
import { RunsNav } from './RunsNav';
import type { Route } from './+types/compare';

/** Runs that are offered, and among which repeated ones give the rig's own spread. */
const RUNS_LOOKED_AT = 200;

export async function loader({ params, request }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const { searchParams } = new URL(request.url);
  const runs = await newestRuns(rigId, RUNS_LOOKED_AT);
  const named = (name: string, otherwise: number | undefined): number =>
    Number(searchParams.get(name) ?? otherwise ?? NaN);
  const [a, b] = [named('a', runs.at(-2)?.number), named('b', runs.at(-1)?.number)];
  const [before, after] = await Promise.all([findRun(rigId, a), findRun(rigId, b)]);
  return {
    offered: runs.map(({ number, run }) => ({ number, drivenAt: run.drivenAt })).toReversed(),
    a: before?.number,
    b: after?.number,
    compared: before && after && a !== b ? compareRuns(before.run, after.run, runs) : undefined,
  };
}

/** Two runs side by side, and what of it can be told at all. */
export default function CompareRunsRoute({ loaderData }: Route.ComponentProps) {
  const { offered, a, b, compared } = loaderData;
  const submit = useSubmit();
  return (
    <div className="max-w-4xl px-5 py-6">
      <RunsNav />
      <h1 className="mt-4 text-3xl">Compare runs</h1>
      {offered.length < 2 ? (
        <p className="mt-2 text-lg">Two runs are needed. Note another one under Runs.</p>
      ) : (
        <Form
          className="mt-3 flex flex-wrap items-end gap-3"
          onChange={(event) => void submit(event.currentTarget, { replace: true })}
        >
          <RunChoice name="a" label="Run" value={a} offered={offered} />
          <RunChoice name="b" label="against" value={b} offered={offered} />
          <noscript>
            <Button type="submit">Compare</Button>
          </noscript>
        </Form>
      )}
      {compared && (
        <>
          <h2 className="mt-6 text-2xl">What was different</h2>
          <DifferenceTable differences={compared.differences} />
          <p className="mt-2 max-w-2xl font-bold">
            {compared.cause
              ? `One thing that matters was changed: ${compared.cause.name}.`
              : compared.toSeparate
                ? `Several things were changed: no cause can be named. ${compared.toSeparate}`
                : 'Nothing that matters was changed: the two are repeats of one another.'}
          </p>
          <h2 className="mt-6 text-2xl">What they did</h2>
          {compared.numbers.length === 0 ? (
            <p>They have no number in common.</p>
          ) : (
            <NumberTable numbers={compared.numbers} />
          )}
        </>
      )}
    </div>
  );
}

function NumberTable({ numbers }: { numbers: readonly ComparedNumber[] }) {
  return (
    <DataTable
      label="What they did"
      heads={['number', { name: 'first', isNumber: true }, { name: 'second', isNumber: true }, 'difference']}
    >
      {numbers.map((one) => {
        const { name, unit, decimals } = READINGS[one.kind];
        return (
          <tr key={one.kind} className="align-top">
            <th scope="row">{name}</th>
            <td className="text-right">{withUnit(one.before, unit, decimals)}</td>
            <td className="text-right">{withUnit(one.after, unit, decimals)}</td>
            <td>{differenceOf(one)}</td>
          </tr>
        );
      })}
    </DataTable>
  );
}

function differenceOf({ kind, before, after, interval }: ComparedNumber): string {
  const { unit, decimals, less, more } = READINGS[kind];
  const words = (value: number): string => withUnit(Math.abs(value), unit, decimals);
  const difference = after - before;
  const plain = `${words(difference)} ${difference < 0 ? less : more}`;
  if (!interval)
    return `${plain}. No runs were repeated: how far this rig’s own runs lie apart is not known.`;
  const { low, high } = interval;
  if (low <= 0 && high >= 0)
    return `These two cannot be told apart: somewhere between ${formatNumber(low, decimals)} and ${withUnit(high, unit, decimals)}.`;
  return `${plain}: between ${formatNumber(low, decimals)} and ${withUnit(high, unit, decimals)}, with 95 % certainty.`;
}

interface ChoiceProps {
  name: string;
  label: string;
  value: number | undefined;
  offered: readonly { number: number; drivenAt: string }[];
}

const RunChoice = ({ name, label, value, offered }: ChoiceProps) => (
  <label>
    <span className="block text-sm">{label}</span>
    <select name={name} defaultValue={value} key={value} className={INPUT}>
      {offered.map(({ number, drivenAt }) => (
        <option key={number} value={number}>
          {number}, {drivenAt.slice(0, 10)}
        </option>
      ))}
    </select>
  </label>
);
