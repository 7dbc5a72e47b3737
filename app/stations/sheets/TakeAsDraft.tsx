import { hasStop } from '#core/esc/profile';
import { handChangesOf, type HandValues } from '#core/rig/handValues';
import { changesOf } from '#core/sheet/draft';
import type { Sheet } from '#core/sheet/sheet';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';

/** A sheet as the draft, as far as this ESC still has its stops. @param byHand what the model had then; empty for a sheet that may be of another */
export function TakeAsDraft({ sheet, byHand }: { sheet: Sheet; byHand: HandValues }) {
  const { rig, profile, holdings, moveAll } = useBench();
  // Ids of another ESC may be the same, and mean something else.
  if (sheet.profileId !== profile.id) return <span className="text-muted">of another ESC</span>;
  const stops = Object.fromEntries(
    sheet.values.flatMap(({ itemId, stopId }) => {
      const item = profile.items.find(({ id }) => id === itemId);
      const real = item && stopId !== null && hasStop(item, stopId);
      return stopId !== null && real ? [[itemId, stopId] as const] : [];
    }),
  );
  const count = changesOf(profile, holdings, { stops }).length + handChangesOf(rig, byHand).length;
  if (count === 0) return <span className="text-muted">as on the ESC</span>;
  return (
    <Button look="quiet" className="min-h-0 py-0" onClick={() => moveAll(stops, byHand)}>
      Take as draft ({count} differ)
    </Button>
  );
}
