import { itemById } from '#core/esc/profile';
import { measurableStops, measurementOf } from '#core/esc/measureStop';
import { describeValue } from '#core/settings/value';
import { VOCABULARY } from '#core/settings/vocabulary';
import type { Problem } from '#core/units/problem';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import { SafetyGate } from '../../simulated/SafetyGate';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

/** Stops whose size nobody has published: how to measure one in a minute, and a place for the reading. */
export function MeasureStop() {
  const { profile, rig, rigId } = useBench();
  const stops = measurableStops(profile);
  const [chosen, setChosen] = useState('');
  const [precaution, setPrecaution] = useState<string>();
  const fetcher = useFetcher<{ problems: Problem[]; sentence: string }>();
  const found = stops.find(({ itemId, stop }) => `${itemId} ${stop.id}` === chosen);
  if (stops.length === 0 && !fetcher.data?.sentence) return null;
  const item = found && itemById(profile, found.itemId);
  const measurement = item && measurementOf(item.setting);
  return (
    <details className="mt-4 max-w-3xl border-y border-rule py-1">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">
        {stops.length} {stops.length === 1 ? 'stop has' : 'stops have'} a size that is only assumed: measure
        it
      </summary>
      <p className="min-h-6 font-bold text-ok" role="status">
        {fetcher.data?.sentence}
      </p>
      <label className="block">
        <span className="block text-sm text-muted">Which one</span>
        <select
          value={chosen}
          onChange={(event) => setChosen(event.target.value)}
          className={`${INPUT} max-w-full`}
        >
          <option value="">choose …</option>
          {stops.map(({ itemId, stop }) => {
            const { number, label, setting } = itemById(profile, itemId);
            return (
              <option key={`${itemId} ${stop.id}`} value={`${itemId} ${stop.id}`}>
                {number} {label}: {stop.label}, assumed {describeValue(VOCABULARY[setting], stop.value)}
              </option>
            );
          })}
        </select>
      </label>
      {found && item && measurement && (
        <div className="mt-3 grid gap-3">
          <SafetyGate kind={rig.vehicle.kind} chosen={precaution} onChoose={setPrecaution} />
          <ol className="list-decimal pl-6">
            {measurement.steps.map((step) => (
              <li key={step} className="py-0.5">
                {step}
              </li>
            ))}
          </ol>
          <fetcher.Form
            method="post"
            action={`/rigs/${rigId}/measured`}
            className="flex flex-wrap items-end gap-3"
            noValidate
          >
            <input type="hidden" name="itemId" value={item.id} />
            <input type="hidden" name="stopId" value={found.stop.id} />
            <label>
              <span className="block text-sm text-muted">{measurement.reading}</span>
              <span className="flex items-center gap-2">
                <input
                  name="reading"
                  inputMode="decimal"
                  autoComplete="off"
                  className={`${INPUT} w-28 text-right`}
                />
                {measurement.unit}
              </span>
            </label>
            <Button type="submit" disabled={!precaution || fetcher.state !== 'idle'}>
              Save this measurement
            </Button>
            {fetcher.data?.problems[0] && (
              <p role="alert" className="text-sm font-bold text-hazard">
                {fetcher.data.problems[0].sentence}
              </p>
            )}
          </fetcher.Form>
          <p className="text-sm text-muted">
            This makes a new revision of the profile, and this rig moves to it. Older sheets keep their
            revision.
          </p>
        </div>
      )}
    </details>
  );
}
