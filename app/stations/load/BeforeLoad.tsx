import { itemById, stopById } from '#core/esc/profile';
import { escMachine } from '#core/procedure/escMachine';
import { initialConfig } from '#core/procedure/step';
import { legsFor, planLegs } from '#core/plan/loadPlan';
import { loadOrder } from '#core/sheet/draft';
import { VOCABULARY } from '#core/settings/vocabulary';
import { formatDuration } from '#core/units/format';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { SafetyGate } from '../../simulated/SafetyGate';
import { Button } from '../../ui/Button';
import { DraftMark } from '../../ui/marks';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { VerdictList } from '../tune/VerdictList';

/** What will be loaded, how long it takes, and what must be safe before it starts. */
export function BeforeLoad({ onBegin }: { onBegin: (precaution: string) => void }) {
  const { rigId, profile, holdings, changes, verdicts, memory } = useBench();
  const [precaution, setPrecaution] = useState<string>();
  const hazards = verdicts.filter((verdict) => verdict.grade === 'hazard');
  const uncounted = profile.items.filter((item) => holdings[item.id]?.basis === 'seenStored');
  const ordered = loadOrder(profile, changes);
  const seconds = useMemo(() => {
    const machine = escMachine(profile);
    const start = initialConfig(machine, memory, memory.range.neutralMicros);
    return planLegs(machine, start, legsFor(loadOrder(profile, changes)))?.seconds;
  }, [profile, memory, changes]);

  if (changes.length === 0 && uncounted.length === 0) {
    return (
      <div className="max-w-3xl px-5 py-6">
        <h1 className="text-3xl">Nothing to load</h1>
        <p className="mt-3 text-lg">
          The draft is what the ESC holds.{' '}
          <Link className="underline" to={`/rigs/${rigId}/tune`}>
            Go to Tune
          </Link>{' '}
          and move something.
        </p>
      </div>
    );
  }
  return (
    <div className="max-w-4xl px-5 py-6">
      <h1 className="text-3xl">
        {changes.length === 0
          ? `Count back ${uncounted.length} ${uncounted.length === 1 ? 'value' : 'values'}`
          : `Load ${changes.length} ${changes.length === 1 ? 'change' : 'changes'} into the ${profile.name}`}
      </h1>
      {seconds !== undefined && changes.length > 0 && (
        <p className="mt-2 text-lg text-muted">
          By its {profile.medium.keyName} key, about {formatDuration(seconds)} with counting back. Here on the
          simulated ESC.
        </p>
      )}
      {hazards.length > 0 ? (
        <div className="mt-5 grid gap-3">
          <p className="text-lg font-bold">Clear this first; then load.</p>
          <VerdictList verdicts={hazards} />
        </div>
      ) : (
        <div className="mt-5 grid gap-6 lg:grid-cols-2">
          <section aria-labelledby="changes">
            <h2 id="changes" className="text-xl">
              In this order
            </h2>
            <ol className="mt-1">
              {ordered.map(({ itemId, fromStopId, toStopId }) => {
                const item = itemById(profile, itemId);
                return (
                  <li key={itemId} className="flex items-baseline gap-2 border-t border-rule py-2">
                    <DraftMark className="size-3.5 shrink-0 self-center" />
                    <span>
                      <strong>{VOCABULARY[item.setting].name}</strong>{' '}
                      {fromStopId === null ? 'unknown' : stopById(item, fromStopId).label} →{' '}
                      <strong className="text-draft">{stopById(item, toStopId).label}</strong>
                      <span className="block text-sm text-muted">
                        item {item.number} “{item.label}”
                      </span>
                    </span>
                  </li>
                );
              })}
            </ol>
            {uncounted.length > 0 && (
              <Notice grade="note" title="Stored before, never counted back">
                <p>{uncounted.map((item) => item.label).join(', ')}: counted at the end of this load.</p>
              </Notice>
            )}
          </section>
          <div>
            <SafetyGate chosen={precaution} onChoose={setPrecaution} />
            <Button
              look="main"
              className="mt-5 w-full"
              disabled={precaution === undefined}
              onClick={() => precaution !== undefined && onBegin(precaution)}
            >
              Begin loading
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}
