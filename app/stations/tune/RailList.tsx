import { openAdvice } from '#core/advice/advise';
import { inactiveReason } from '#core/advice/inactive';
import type { ProfileItem } from '#core/esc/profile';
import { momentName, type MomentId } from '#core/settings/moments';
import { useState } from 'react';
import { usePreferences } from '../../preferences/usePreferences';
import { Button } from '../../ui/Button';
import { useBench, useNewestDraft } from '../bench/BenchContext';
import { Rail } from './Rail';

interface Props {
  groups: readonly [MomentId, ProfileItem[]][];
  current: MomentId | undefined;
  onCurrent: (moment: MomentId) => void;
}

/** All rails by moment. The one that is worked shows all that belongs to it. */
export function RailList({ groups, current, onCurrent }: Props) {
  const { kind } = useBench().draftedRig.vehicle;
  const { isOpen, open } = useOpenRail();
  return groups.map(([moment, items]) => (
    <section
      key={moment}
      id={`moment-${moment}`}
      aria-labelledby={`title-${moment}`}
      className="scroll-mt-12 pt-2"
      onFocus={() => onCurrent(moment)}
    >
      <div className="flex min-h-8 items-center justify-between gap-3">
        <h2 id={`title-${moment}`} className={`text-lg ${moment === current ? 'text-draft' : ''}`}>
          {momentName(moment, kind)}
        </h2>
        <MomentAdvice items={items} name={momentName(moment, kind)} />
      </div>
      <ul>
        {items.map((item) => (
          <ItemRail key={item.id} item={item} isOpen={isOpen(item.id)} onOpen={open} />
        ))}
      </ul>
    </section>
  ));
}

/** Which rail shows all that belongs to it: the one worked last, or every one where that is preferred. */
export function useOpenRail(): { isOpen: (itemId: string) => boolean; open: (itemId: string) => void } {
  const { roomy } = usePreferences();
  const [opened, setOpened] = useState<string>();
  return { isOpen: (itemId) => roomy || itemId === opened, open: setOpened };
}

interface ItemRailProps {
  item: ProfileItem;
  isOpen: boolean;
  onOpen: (itemId: string) => void;
}

export function ItemRail({ item, isOpen, onOpen }: ItemRailProps) {
  const { draftedRig: rig, profile, holdings, believed, drafted, advice, move, temporaries } = useBench();
  const draftedStopId = useNewestDraft().stops[item.id];
  return (
    <Rail
      item={item}
      cells={rig.pack.cells}
      holding={holdings[item.id]}
      draftStopId={draftedStopId ?? believed[item.id]!}
      isDrafted={draftedStopId !== undefined}
      advice={advice[item.id]}
      inactive={inactiveReason(rig, profile, drafted, item)}
      temporary={temporaries.find((one) => one.item.id === item.id)}
      onMove={move}
      isOpen={isOpen}
      onOpen={onOpen}
    />
  );
}

/** One key for what is advised at a moment. */
function MomentAdvice({ items, name }: { items: ProfileItem[]; name: string }) {
  const { sure, advice, moveAll } = useBench();
  const open = openAdvice(advice, items, sure);
  const count = Object.keys(open).length;
  if (count < 2) return null;
  return (
    <Button
      look="quiet"
      className="text-sm text-advised"
      aria-label={`Take the advice for ${name}`}
      onClick={() => moveAll(open)}
    >
      take all {count} here
    </Button>
  );
}
