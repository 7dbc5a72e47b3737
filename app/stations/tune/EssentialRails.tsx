import { essentials, whyItMayStay } from '#core/advice/essentials';
import { inactiveReason } from '#core/advice/inactive';
import { nameOf, stopById, type ProfileItem } from '#core/esc/profile';
import { useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { ItemRail, useOpenRail } from './RailList';

/** For a beginner: the few settings that matter on this model, and all others folded, each with why it may stay. */
export function EssentialRails() {
  const { draftedRig: rig, profile, drafted, sure, verdicts, advice } = useBench();
  const inactive = Object.fromEntries(
    profile.items.map((item) => [item.id, inactiveReason(rig, profile, drafted, item)]),
  );
  // Chosen once: what is worked must not move away as soon as it is right.
  const [firstIds] = useState(() =>
    essentials({ vehicleClass: rig.vehicleClass, items: profile.items, inactive, verdicts, advice }).map(
      ({ id }) => id,
    ),
  );
  const first = firstIds.flatMap((id) => profile.items.filter((item) => item.id === id));
  const rest = profile.items.filter((item) => !first.includes(item));
  const { isOpen, open } = useOpenRail();
  return (
    <>
      <section aria-labelledby="set-first" className="pt-2">
        <h2 id="set-first" className="text-lg">
          Set these first
        </h2>
        <ul>
          {first.map((item) => (
            <ItemRail key={item.id} item={item} isOpen={isOpen(item.id)} onOpen={open} />
          ))}
        </ul>
      </section>
      <details className="mt-4 border-t border-ink pt-2">
        <summary className="min-h-11 cursor-pointer py-2 font-display text-lg font-bold">
          Leave these alone ({rest.length})
        </summary>
        <ul>
          {rest.map((item) => (
            <LeftAlone
              key={item.id}
              item={item}
              value={sure[item.id] === undefined ? 'unknown' : stopById(item, sure[item.id]!).label}
              why={whyItMayStay(item, inactive[item.id], advice[item.id], drafted[item.id]!)}
            />
          ))}
        </ul>
      </details>
    </>
  );
}

function LeftAlone({ item, value, why }: { item: ProfileItem; value: string; why: string }) {
  return (
    <li className="grid gap-x-4 border-t border-rule py-2 sm:grid-cols-[12rem_8rem_1fr]">
      <span className="font-bold">{nameOf(item)}</span>
      <span>{value}</span>
      <span className="text-sm text-muted">{why}</span>
    </li>
  );
}
