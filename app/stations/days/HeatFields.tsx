import type { Heat, RaceDay } from '#core/days/day';
import { fitsRig } from '#core/packs/intoModel';
import { readNumber } from '#core/units/readNumber';
import { useEffect, useState, type ReactNode } from 'react';
import { useFetcher } from 'react-router';
import { Button } from '../../ui/Button';
import { INPUT } from '../rig/formParts';
import type { DayViewData } from './dayData.server';

interface Props {
  day: RaceDay;
  view: DayViewData;
  /** The one that is changed; undefined for a new one. */
  heat: Heat | undefined;
  keep: (heat: Heat) => void;
  leave: () => void;
}

const MINUTES = '6';

/** A heat as it is entered. */
export function HeatFields({ day, view, heat, keep, leave }: Props) {
  const last = day.heats.at(-1);
  const [name, setName] = useState(heat?.name ?? `Heat ${day.heats.length + 1}`);
  const [startsAt, setStart] = useState(heat?.startsAt ?? last?.startsAt ?? `${day.date}T10:00`);
  const [minutes, setMinutes] = useState(String(heat?.minutes ?? last?.minutes ?? MINUTES));
  const [rigId, setRig] = useState(heat?.rigId ?? last?.rigId ?? view.rigNames[0]?.rigId ?? '');
  const [setUpId, setSetUp] = useState(heat?.setUpId ?? last?.setUpId ?? '');
  const [packId, setPack] = useState(heat?.packId ?? last?.packId ?? '');
  const [fault, setFault] = useState('');
  const rig = useRig(rigId, view);
  const packs = rig ? view.packs.filter(({ pack }) => fitsRig(pack, rig.rig)) : [];
  const save = (): void => {
    const read = readNumber(minutes);
    const wrong = faultIn(name, minutes, read);
    setFault(wrong ?? '');
    if (!rig || wrong !== undefined) return;
    keep({
      id: heat?.id ?? crypto.randomUUID(),
      name: name.trim(),
      rigId,
      startsAt: startsAt.slice(0, 16),
      minutes: read!,
      setUpId: rig.setUps.some(({ id }) => id === setUpId) ? setUpId : null,
      packId: packs.some(({ pack }) => pack.id === packId) ? packId : null,
    });
  };
  return (
    <div className="mt-3 grid max-w-2xl gap-3 border-l-4 border-draft pl-3 sm:grid-cols-2">
      <Line label="Name">
        <input
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
          className={FULL}
        />
      </Line>
      <Line label="Starts at">
        <input
          type="datetime-local"
          value={startsAt}
          onChange={(event) => setStart(event.target.value)}
          className={FULL}
        />
      </Line>
      <Line label="Rig">
        <select value={rigId} onChange={(event) => setRig(event.target.value)} className={FULL}>
          {view.rigNames.map((one) => (
            <option key={one.rigId} value={one.rigId}>
              {one.name}
            </option>
          ))}
        </select>
      </Line>
      <Line label="Minutes">
        <input
          value={minutes}
          inputMode="decimal"
          onChange={(event) => setMinutes(event.target.value)}
          className={FULL}
        />
      </Line>
      <Line label="Set-up">
        <select value={setUpId} onChange={(event) => setSetUp(event.target.value)} className={FULL}>
          <option value="">as the ESC is</option>
          {rig?.setUps.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </select>
      </Line>
      <Line label="Pack">
        <select value={packId} onChange={(event) => setPack(event.target.value)} className={FULL}>
          <option value="">none named</option>
          {packs.map(({ pack }) => (
            <option key={pack.id} value={pack.id}>
              {pack.label}
            </option>
          ))}
        </select>
      </Line>
      {fault !== '' && (
        <p role="alert" className="font-bold text-hazard sm:col-span-2">
          {fault}
        </p>
      )}
      <p className="flex flex-wrap gap-3 sm:col-span-2">
        <Button look="main" onClick={save} disabled={!rig}>
          Keep this heat
        </Button>
        {(heat ?? last) && <Button onClick={leave}>Leave it</Button>}
      </p>
    </div>
  );
}

function faultIn(name: string, typed: string, minutes: number | undefined): string | undefined {
  if (name.trim() === '') return 'Give the heat a name.';
  return minutes === undefined || minutes < 0.5 || minutes > 240
    ? `How long: “${typed}” cannot be. Type minutes between 0.5 and 240.`
    : undefined;
}

const FULL = `${INPUT} w-full`;

const Line = ({ label, children }: { label: string; children: ReactNode }) => (
  <label className="block">
    <span className="block">{label}</span>
    {children}
  </label>
);

/** A rig with its set-ups: of the day, or fetched when it is chosen. */
function useRig(rigId: string, view: DayViewData): DayViewData['rigs'][0] | undefined {
  const fetcher = useFetcher<{ rig: DayViewData['rigs'][0] | null }>();
  const known =
    view.rigs.find((one) => one.rigId === rigId) ??
    (fetcher.data?.rig?.rigId === rigId ? fetcher.data.rig : undefined);
  const { load, state } = fetcher;
  useEffect(() => {
    if (!known && rigId !== '' && state === 'idle') void load(`/days/rig/${rigId}`);
  }, [known, rigId, load, state]);
  return known ?? undefined;
}
