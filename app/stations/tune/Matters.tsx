import type { VehicleKind } from '#core/rig/rig';
import { DRILLS, type DrillId } from '#core/physics/drills/runDrill';
import { mostTellingAssumption, moversOf, type Mover, type Moves } from '#core/sensitivity/matters';
import { formatNumber, withUnit } from '#core/units/format';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { DataTable } from '../../ui/DataTable';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';
import { useMatters } from './useMatters';

/** Which setting moves which number most on this rig, and how far what is assumed may move it. */
export function Matters() {
  const { draftedRig: rig, profile, drafted, memory, goals, rigId } = useBench();
  const { answer, progress, begin, stop } = useMatters();
  const stale =
    answer !== undefined && (answer.request.stops !== drafted || answer.request.use !== goals.use);
  const found = answer?.answer;
  return (
    <section aria-labelledby="matters" className="mt-8">
      <h2 id="matters" className="border-b border-ink pb-1 text-2xl">
        What matters here
      </h2>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        {progress ? (
          <>
            <progress value={progress.done} max={progress.of} className="h-4 w-48 accent-draft" />
            <span role="status">
              {progress.done} of {progress.of} tried
            </span>
            <Button onClick={stop}>Stop</Button>
          </>
        ) : (
          <>
            <Button
              onClick={() =>
                void begin({ rig, profile, stops: drafted, range: memory.range, use: goals.use })
              }
            >
              {found ? 'Try every stop again' : 'Try every stop of every setting'}
            </Button>
            <span className="text-muted">
              {stale ? 'The draft has changed since.' : 'One at a time, on this rig. Takes some seconds.'}
            </span>
          </>
        )}
      </div>
      {found?.ok === false && (
        <div className="mt-3">
          <Notice grade="caution" title={found.sentence} />
        </div>
      )}
      {found?.ok && <Answer movers={found.movers} kind={rig.vehicle.kind} rigId={rigId} />}
    </section>
  );
}

const SHOWN = 8;

interface AnswerProps {
  movers: Mover[];
  kind: VehicleKind;
  rigId: string;
}

const Answer = memo(function Answer({ movers, kind, rigId }: AnswerProps) {
  const names = DRILLS[kind] as Partial<Record<DrillId, string>>;
  const numbers = numbersIn(movers);
  const [chosen, setChosen] = useState(numbers[0]?.key ?? '');
  const number = numbers.find(({ key }) => key === chosen) ?? numbers[0];
  const telling = mostTellingAssumption(movers);
  if (!number) return <p className="mt-3">No setting changes these numbers.</p>;
  const rows = moversOf(movers, number.moves.drill, number.moves.numberId).slice(0, SHOWN);
  const least = Math.min(...rows.map(({ moves }) => moves.low));
  const most = Math.max(...rows.map(({ moves }) => moves.high));
  return (
    <div className="mt-3">
      <label className="flex flex-wrap items-center gap-3">
        What moves
        <select
          value={number.key}
          onChange={(event) => setChosen(event.target.value)}
          className={`${INPUT} max-w-full`}
        >
          {numbers.map(({ key, moves }) => (
            <option key={key} value={key}>
              {names[moves.drill]}: {moves.name}
            </option>
          ))}
        </select>
        <span className="text-muted">
          now {withUnit(number.moves.now, number.moves.unit, number.moves.decimals)}
        </span>
      </label>
      <DataTable
        label="What moves it"
        heads={['What', 'From', 'Drawn', 'To']}
        hidesHeads
        className="max-w-3xl min-w-100"
      >
        {rows.map(({ mover, moves }) => (
          <tr key={mover.kind + mover.id}>
            <th scope="row">
              {mover.label}
              {mover.kind === 'assumed' && <span className="block text-sm text-caution">assumed</span>}
            </th>
            <td className="pr-2 text-right whitespace-nowrap">{formatNumber(moves.low, moves.decimals)}</td>
            <td className="w-1/2">
              <Span moves={moves} least={least} most={most} assumed={mover.kind === 'assumed'} />
            </td>
            <td className="pl-2 whitespace-nowrap">{withUnit(moves.high, moves.unit, moves.decimals)}</td>
          </tr>
        ))}
      </DataTable>
      {telling && (
        <p className="mt-3 max-w-3xl border-l-4 border-caution pl-3">
          The assumed <strong>{telling.label}</strong> makes most of these numbers less certain.{' '}
          <Link to={`/rigs/${rigId}/rig`} className="underline underline-offset-4">
            Measure it on the Rig page
          </Link>
        </p>
      )}
    </div>
  );
});

/** From where to where, with the present value as a tick. */
function Span({
  moves,
  least,
  most,
  assumed,
}: {
  moves: Moves;
  least: number;
  most: number;
  assumed: boolean;
}) {
  const x = (value: number): number => ((value - least) / Math.max(most - least, 1e-12)) * 196 + 2;
  return (
    <svg viewBox="0 0 200 16" className="h-4 w-full" preserveAspectRatio="none" aria-hidden="true">
      <rect
        x={x(moves.low)}
        y="3"
        width={Math.max(2, x(moves.high) - x(moves.low))}
        height="10"
        className={assumed ? 'fill-caution' : 'fill-draft'}
        opacity={assumed ? 0.5 : 1}
      />
      <rect x={x(moves.now) - 1} width="2" height="16" className="fill-ink" />
    </svg>
  );
}

/** Every number that anything moves, those that move most first. */
function numbersIn(movers: Mover[]): { key: string; moves: Moves }[] {
  const best = new Map<string, Moves>();
  for (const { kind, moves } of movers)
    for (const one of moves) {
      const key = `${one.drill} ${one.numberId}`;
      const known = best.get(key);
      if (kind === 'item' && (!known || one.share > known.share)) best.set(key, one);
    }
  return [...best.entries()].map(([key, moves]) => ({ key, moves }));
}
