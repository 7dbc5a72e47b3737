import { escBehaviour } from '#core/physics/escChain';
import { brakeMap, type BrakeCell } from '#core/physics/drills/brakeMap';
import { resolveRig } from '#core/rig/resolve';
import { formatNumber } from '#core/units/format';
import { memo, useMemo, useState } from 'react';
import { Scrollable } from '../../ui/Scrollable';
import { useBench } from '../bench/BenchContext';

/** Every pair of brake strength and frequency of this ESC, slow and fast; a press drafts the pair. */
export const BrakeMap = memo(function BrakeMap() {
  const [isOpen, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)} className="border-t border-rule">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">
        Brake map: strength, frequency and the radio’s end point together
      </summary>
      {isOpen && <Map />}
    </details>
  );
});

function Map() {
  const { draftedRig: rig, profile, drafted, memory, moveAll } = useBench();
  const behave = useMemo(
    () => (stops: typeof drafted) => escBehaviour(profile, stops, rig.channel, memory.range, rig.pack.cells),
    [profile, rig, memory.range],
  );
  const [endPoint, setEndPoint] = useState(() => Math.round(100 * behave(drafted).brakeSignal));
  const resolved = useMemo(() => resolveRig(rig, profile), [rig, profile]);
  const map = useMemo(
    () =>
      resolved.kind === 'wheels' ? brakeMap(resolved, profile, drafted, behave, endPoint / 100) : undefined,
    [resolved, profile, drafted, behave, endPoint],
  );
  if (!map) return <p>This ESC has no brake strength to choose.</p>;
  const { strength, frequency } = map;
  return (
    <>
      <label className="flex flex-wrap items-center gap-3">
        The radio passes
        <input
          type="range"
          min={20}
          max={100}
          value={endPoint}
          onChange={(event) => setEndPoint(Number(event.target.value))}
          className="w-32 accent-draft"
        />
        <output>{endPoint} %</output>
      </label>
      <p className="mt-1 text-sm text-muted">
        Newtons at {formatNumber(map.slowKmh, 0)} km/h, below them at {formatNumber(map.fastKmh, 0)} km/h;
        tyres slide above {formatNumber(map.gripN, 0)}.
      </p>
      <Scrollable label="Brake map" className="mt-2">
        <table className="w-full border-separate border-spacing-0.5 text-center text-sm tabular-nums">
          <thead>
            <tr>
              <th scope="col" className="pr-1 text-left font-normal text-muted">
                {strength.label}
              </th>
              {map.rows[0]!.cells.map(({ stop }) => (
                <th
                  key={stop?.id ?? 'fixed'}
                  scope="col"
                  className="font-normal whitespace-nowrap text-muted"
                >
                  {stop?.label ?? 'fixed'}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {map.rows.map(({ stop, cells }) => (
              <tr key={stop.id}>
                <th scope="row" className="pr-1 text-left font-normal whitespace-nowrap text-muted">
                  {stop.label}
                </th>
                {cells.map((cell) => {
                  const to = {
                    [strength.id]: stop.id,
                    ...(frequency && cell.stop && { [frequency.id]: cell.stop.id }),
                  };
                  const isDraft = Object.entries(to).every(([itemId, stopId]) => drafted[itemId] === stopId);
                  return (
                    <td key={cell.stop?.id ?? 'fixed'} className="p-0">
                      <button
                        type="button"
                        aria-pressed={isDraft}
                        aria-label={wordsOf(stop.label, cell.stop?.label, cell.force)}
                        onClick={() => moveAll(to)}
                        className={`min-h-11 w-full min-w-11 rounded-sm leading-tight ${isDraft ? 'bg-draft text-film' : 'bg-film hover:outline-2'}`}
                      >
                        {formatNumber(cell.force.slow, 0)}
                        <br />
                        {formatNumber(cell.force.fast, 0)}
                      </button>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
    </>
  );
}

const wordsOf = (strength: string, frequency: string | undefined, { slow, fast }: BrakeCell): string =>
  `${strength}${frequency ? ` at ${frequency}` : ''}: ${formatNumber(slow, 0)} N slow, ${formatNumber(fast, 0)} N fast`;
