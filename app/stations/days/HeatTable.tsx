import type { Heat, RaceDay } from '#core/days/day';
import type { HeatForecast } from '#core/days/heatForecast';
import type { RaceSchedule } from '#core/days/raceSchedule';
import { clockOnDay } from '#core/days/zoned';
import { percentOf, withUnit } from '#core/units/format';
import type { Remote } from 'comlink';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { OwnersOnly } from '../../ui/OwnersOnly';
import type { DaysWorker } from '../../workers/days.worker';
import type { DayViewData } from './dayData.server';
import { HeatFields } from './HeatFields';
import { useForecasts } from './useForecasts';

interface Props {
  day: RaceDay;
  view: DayViewData;
  heats: RaceSchedule['heats'];
  faults: RaceSchedule['faults'];
  worker: Remote<DaysWorker> | undefined;
  save: (part: Partial<RaceDay>) => void;
}

/** The heats in their order: set-up, pack, what the model says of each, and what does not work out. */
export function HeatTable({ day, view, heats, faults, worker, save }: Props) {
  const forecasts = useForecasts(worker, day, view);
  const [open, setOpen] = useState<string>();
  const keep = (heat: Heat): void => {
    const others = day.heats.filter(({ id }) => id !== heat.id);
    save({ heats: [...others, heat] });
    setOpen(undefined);
  };
  return (
    <section aria-label="Heats" className="mt-6">
      <h2 className="text-2xl">Heats</h2>
      <ol className="mt-1 border-t border-rule empty:hidden">
        {heats.map(({ heat, from }) => {
          const rig = view.rigs.find(({ rigId }) => rigId === heat.rigId);
          const setUp = rig?.setUps.find(({ id }) => id === heat.setUpId);
          const pack = view.packs.find((one) => one.pack.id === heat.packId)?.pack;
          const what = [
            rig?.rig.name,
            setUp ? `“${setUp.name}”` : 'as the ESC is',
            pack?.label ?? 'no pack named',
          ];
          return (
            <li key={heat.id} className="border-b border-rule py-2">
              <p className="flex flex-wrap items-baseline gap-x-4">
                <strong className="font-display text-xl">{clockOnDay(from, day.timeZone, day.date)}</strong>
                <strong className="text-lg wrap-anywhere">{heat.name}</strong>
                <span className="text-muted">{withUnit(heat.minutes, 'min', 1)}</span>
              </p>
              <p>{what.filter(Boolean).join(' · ')}</p>
              <Forecast forecast={forecasts[heat.id]} />
              {rig?.breaches.map((sentence) => (
                <p key={sentence} className="font-bold text-hazard">
                  {sentence}
                </p>
              ))}
              {rig?.rulesName && rig.breaches.length === 0 && (
                <p className="text-sm text-ok">What the ESC holds keeps to {rig.rulesName}.</p>
              )}
              {faults
                .filter(({ heatId }) => heatId === heat.id)
                .map(({ sentence }) => (
                  <p key={sentence} className="font-bold text-caution">
                    {sentence}
                  </p>
                ))}
              {open === heat.id ? (
                <HeatFields day={day} view={view} heat={heat} keep={keep} leave={() => setOpen(undefined)} />
              ) : (
                <OwnersOnly>
                  <p className="flex gap-4 print:hidden">
                    <Button look="quiet" onClick={() => setOpen(heat.id)}>
                      change<span className="sr-only"> {heat.name}</span>
                    </Button>
                    <Button
                      look="quiet"
                      onClick={() => save({ heats: day.heats.filter(({ id }) => id !== heat.id) })}
                    >
                      take out<span className="sr-only"> {heat.name}</span>
                    </Button>
                  </p>
                </OwnersOnly>
              )}
            </li>
          );
        })}
      </ol>
      <OwnersOnly>
        <div className="print:hidden">
          {open === 'new' || heats.length === 0 ? (
            <HeatFields
              key={day.heats.length}
              day={day}
              view={view}
              heat={undefined}
              keep={keep}
              leave={() => setOpen(undefined)}
            />
          ) : (
            <p className="mt-3">
              <Button onClick={() => setOpen('new')}>Add a heat</Button>
            </p>
          )}
        </div>
      </OwnersOnly>
    </section>
  );
}

function Forecast({ forecast }: { forecast: HeatForecast | 'unknown' | undefined }) {
  if (forecast === undefined) return <p className="text-sm text-muted print:hidden">forecast …</p>;
  if (forecast === 'unknown')
    return <p className="text-sm text-muted">No forecast: this rig’s numbers give no result.</p>;
  const { lasts, runs, usedShare, canCelsius, escCelsius, lowestCellVolts } = forecast;
  return (
    <p className="text-sm">
      <strong className={lasts ? 'text-ok' : 'text-hazard'}>
        {lasts ? 'Lasts.' : `Does not last: it stops after ${withUnit(runs, 'min', 1)}.`}
      </strong>{' '}
      Predicted: {percentOf(usedShare)} of the pack, can {withUnit(canCelsius, '°C', 0)}, ESC{' '}
      {withUnit(escCelsius, '°C', 0)}, lowest cell {withUnit(lowestCellVolts, 'V', 2)}.
    </p>
  );
}
