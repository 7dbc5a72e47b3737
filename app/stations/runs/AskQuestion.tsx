import { itemById, stopById } from '#core/esc/profile';
import { inOrder } from '#core/esc/stopOrder';
import { entersDrills } from '#core/physics/howItEnters';
import { READINGS, readingsOf, type ReadingId } from '#core/runs/readings';
import type { TriedStop } from '#core/runs/trial';
import { useState, type ReactNode } from 'react';
import { useFetcher } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import type { NotKept } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

/** A new question: which value, against which other, told by which number. */
export function AskQuestion({ isFirst }: { isFirst: boolean }) {
  const { rigId, rig, profile, believed } = useBench();
  const fetcher = useFetcher<object | NotKept>();
  const items = profile.items.filter(({ setting, stops }) => entersDrills(setting) && stops.length > 1);
  const [itemId, setItem] = useState(
    () => (items.find(({ setting }) => setting === 'brakeFrequency') ?? items[0])?.id ?? '',
  );
  const item = items.find(({ id }) => id === itemId);
  const order = item ? inOrder(item, rig.pack.cells) : [];
  const now = believed[itemId];
  const [chosenA, setA] = useState<string>();
  const [chosenB, setB] = useState<string>();
  const a = order.find(({ id }) => id === (chosenA ?? now))?.id ?? order[0]?.id;
  const b = order.find(({ id }) => id === chosenB && id !== a)?.id ?? order.find(({ id }) => id !== a)?.id;
  const [reading, setReading] = useState<ReadingId>(
    rig.vehicle.kind === 'wheels' ? 'slowStopMetres' : 'canCelsius',
  );
  const [words, setWords] = useState('');
  if (!item || a === undefined || b === undefined) return null;
  const usual = `${item.label}: ${stopById(item, b).label} or ${stopById(item, a).label}?`;
  const ask = (): void => {
    const stop = (stopId: string): TriedStop => {
      const { number, label } = stopById(itemById(profile, itemId), stopId);
      return { stopId, stopNumber: number || null, label };
    };
    const asked = {
      kind: 'compare',
      id: crypto.randomUUID(),
      madeAt: new Date().toISOString(),
      words: words.trim() || usual,
      reading,
      itemId,
      itemNumber: item.number,
      itemLabel: item.label,
      a: stop(a),
      b: stop(b),
    };
    void fetcher.submit(
      { intent: 'try', asked: JSON.stringify(asked) },
      { method: 'post', action: `/rigs/${rigId}/runs` },
    );
    setWords('');
  };
  const stops = (value: string, choose: (id: string) => void) => (
    <select value={value} onChange={(event) => choose(event.target.value)} className={`${INPUT} w-full`}>
      {order.map(({ id, label }) => (
        <option key={id} value={id}>
          {label}
          {id === now ? ', as on the ESC' : ''}
        </option>
      ))}
    </select>
  );
  return (
    <details className="mt-3 border-t border-rule" open={isFirst}>
      <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">
        Ask a question
      </summary>
      <div className="grid max-w-2xl gap-3">
        <Line label="Of">
          <select
            value={itemId}
            onChange={(event) => {
              setItem(event.target.value);
              setA(undefined);
              setB(undefined);
            }}
            className={`${INPUT} w-full`}
          >
            {items.map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </select>
        </Line>
        <Line label="A">{stops(a, setA)}</Line>
        <Line label="B">{stops(b, setB)}</Line>
        <Line label="Told by">
          <select
            value={reading}
            onChange={(event) => setReading(event.target.value as ReadingId)}
            className={`${INPUT} w-full`}
          >
            {readingsOf(rig.vehicle.kind).map((id) => (
              <option key={id} value={id}>
                {READINGS[id].name}, {READINGS[id].unit}
              </option>
            ))}
          </select>
        </Line>
        <Line label="The question">
          <input
            value={words}
            maxLength={1000}
            placeholder={usual}
            onChange={(event) => setWords(event.target.value)}
            className={`${INPUT} w-full`}
          />
        </Line>
        <p>
          <Button look="main" onClick={ask} disabled={fetcher.state !== 'idle'}>
            Ask it
          </Button>
        </p>
        <AwayNotice answer={fetcher.data} />
      </div>
    </details>
  );
}

const Line = ({ label, children }: { label: string; children: ReactNode }) => (
  <label className="grid gap-x-4 gap-y-1 sm:grid-cols-[8rem_1fr] sm:items-center">
    <span>{label}</span>
    {children}
  </label>
);
