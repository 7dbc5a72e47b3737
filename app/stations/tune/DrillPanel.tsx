import { DRILLS, type DrillId } from '#core/physics/drills/runDrill';
import { alternativesTo, type Range } from '#core/physics/drills/band';
import type { DrillNumber } from '#core/physics/drills/drill';
import { unknownItems } from '#core/sheet/evidence';
import { escBehaviour } from '#core/physics/escChain';
import { drillInputs, resolveRig } from '#core/rig/resolve';
import { Tabs } from 'radix-ui';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import type { DrillPair } from '../../workers/drills.worker';
import { useDrill } from './useDrill';

const DrillChart = lazy(() => import('./DrillChart'));

/** The chosen manoeuvre, as the ESC is and as it is drafted, with its numbers. */
export function DrillPanel() {
  const { rig, profile, believed, drafted, holdings, memory, rigId } = useBench();
  const names = DRILLS[rig.vehicle.kind] as Partial<Record<DrillId, string>>;
  const ids = Object.keys(names) as DrillId[];
  const [drill, setDrill] = useState<DrillId>(ids[0]!);
  const request = useMemo(() => {
    const behave = (stops: typeof drafted) =>
      escBehaviour(profile, stops, rig.channel, memory.range, rig.pack.cells);
    return {
      drill,
      rig: resolveRig(rig, profile),
      now: behave(believed),
      nowInstead: alternativesTo(profile, believed, unknownItems(profile, holdings)).map(behave),
      draft: behave(drafted),
    };
  }, [drill, rig, profile, believed, drafted, holdings, memory.range]);
  const computed = useDrill(request);
  const shown = computed?.request.drill === drill ? computed.answer : undefined;
  const assumedInputs = drillInputs(rig).filter((input) => input.basis === 'assumed');

  return (
    <Tabs.Root value={drill} onValueChange={(value) => setDrill(value as DrillId)}>
      <Tabs.List aria-label="Manoeuvre" className="flex flex-wrap gap-1">
        {ids.map((id) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="min-h-11 rounded-sm px-3.5 font-bold data-[state=active]:bg-ink data-[state=active]:text-film"
          >
            {names[id]}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      <Tabs.Content value={drill} className="mt-3">
        <div className="min-h-64">
          {shown?.ok && (
            <Suspense>
              <DrillChart {...shown.pair} />
            </Suspense>
          )}
          {shown?.ok === false && <Notice grade="caution" title={shown.sentence} />}
        </div>
        {shown?.ok && <Numbers {...shown.pair} />}
        <p className="mt-3 text-sm text-muted">
          {shown?.ok && shown.pair.band && (
            <span className="block text-caution">
              The band is what the ESC may do: some of its values are unknown.
            </span>
          )}
          {assumedInputs.length === 0 ? (
            'Computed from what you gave and measured.'
          ) : (
            <>
              Computed from this rig; assumed so far:{' '}
              <Link to={`/rigs/${rigId}/rig`} className="underline">
                {assumedInputs.map((input) => input.name).join(', ')}
              </Link>
              .
            </>
          )}
          {rig.motorCount > 1 &&
            ` The numbers are those of one of ${rig.motorCount} motors; the pack feeds them all.`}
        </p>
      </Tabs.Content>
    </Tabs.Root>
  );
}

function Numbers({ now, band, draft }: DrillPair) {
  return (
    <table className="mt-2 w-full text-left">
      <thead className="sr-only">
        <tr>
          <th>What</th>
          <th>On the ESC</th>
          <th>Draft</th>
          <th>In words</th>
        </tr>
      </thead>
      <tbody>
        {draft.numbers.map((number, index) => {
          const before = now.numbers[index]!;
          const range = band?.numbers[number.id];
          const word = difference(before, number);
          return (
            <tr key={number.id} className="border-t border-rule">
              <th scope="row" className="py-1.5 pr-2 font-normal">
                {number.name}
              </th>
              <td className="text-right whitespace-nowrap">
                {range ? `${rangeWords(range, number.decimals)} →` : word ? `${plain(before)} →` : ''}
              </td>
              <td className={`pl-1.5 text-right font-bold whitespace-nowrap ${word ? 'text-draft' : ''}`}>
                {plain(number)} {number.value === undefined ? '' : number.unit}
              </td>
              <td className="w-24 pl-2 text-right text-sm text-muted">{word}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const plain = ({ value, decimals }: DrillNumber): string =>
  value === undefined ? 'never' : value.toFixed(decimals);

/** A range to the digits that the number is shown with. */
const rangeWords = ({ low, high }: Range, decimals: number): string =>
  `${low.toFixed(decimals)} to ${high.toFixed(decimals)}`;

/** The plain word for a number that changed by more than its last digit shows; empty where it did not. */
function difference(before: DrillNumber, after: DrillNumber): string {
  if (plain(before) === plain(after)) return '';
  const from = before.value ?? Infinity;
  const to = after.value ?? Infinity;
  return to < from ? after.less : after.more;
}
