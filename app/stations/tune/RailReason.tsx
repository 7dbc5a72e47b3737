import type { Advice } from '#core/advice/advise';
import { PRIORITIES } from '#core/advice/rule';
import { stopById, type ProfileItem, type Stop } from '#core/esc/profile';
import { entersDrills } from '#core/physics/howItEnters';
import { VOCABULARY } from '#core/settings/vocabulary';
import { MovePreview } from './MovePreviews';

interface Props {
  item: ProfileItem;
  draft: Stop;
  advice: Advice | undefined;
}

/** Why a value is advised, what taking it would do, and what yielded to it. */
export function RailReason({ item, draft, advice }: Props) {
  return (
    <div className="mt-1 max-w-xl sm:pl-42">
      <p>
        {VOCABULARY[item.setting].summary} {advice?.reason}
        {advice?.source === 'from memory' && ' (From memory.)'}
        {!entersDrills(item.setting) && ' No drill uses it. It is loaded and recorded.'}
      </p>
      {advice && !advice.stopIds.includes(draft.id) && (
        <div className="mt-1 text-sm">
          <MovePreview
            move={{
              label: `To take ${stopById(item, advice.stopId).label} instead of ${draft.label}`,
              itemId: item.id,
              stopId: advice.stopId,
            }}
          />
        </div>
      )}
      {advice?.over.map(({ stopId, priority, reason }) => (
        <p key={reason} className="mt-1 text-sm text-muted">
          Instead of {stopById(item, stopId).label}, which gives way because it is only {PRIORITIES[priority]}
          : {reason}
        </p>
      ))}
    </div>
  );
}
