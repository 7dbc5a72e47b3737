import { stopById, type ProfileItem, type Stop } from '#core/esc/profile';
import { Button } from '../../ui/Button';
import { ForAWhile } from './ForAWhile';
import type { RailProps } from './railProps';
import { RailReason } from './RailReason';

interface Props extends Pick<
  RailProps,
  'item' | 'draftStopId' | 'advice' | 'onMove' | 'inactive' | 'temporary'
> {
  /** What its two ends do. */
  ends: readonly [lower: string, higher: string];
  draft: Stop;
  /** What is on the ESC, where the draft is something else. */
  onEsc: Stop | undefined;
  /** What the draft means, where the row has no room for it. */
  spelledOut: string;
  reasonOpen: boolean;
  onReason: () => void;
}

/** What belongs to a rail besides its value: its number, what its ends do, advice, and for how long it is meant. */
export function RailDetails(props: Props) {
  const { item, draftStopId, advice, onMove, inactive, temporary, ends, draft, onEsc, spelledOut } = props;
  const { reasonOpen, onReason } = props;
  const move = (stopId: string): void => onMove(item.id, stopId);
  return (
    <div className="pb-1 text-sm">
      <div className="grid gap-x-4 text-muted sm:grid-cols-[9.5rem_1fr_7.5rem]">
        <p>
          item {item.number} “{item.label}”
        </p>
        <p className="flex justify-between gap-2 px-2">
          <span>◂ {ends[0]}</span>
          <span className="text-right">{ends[1]} ▸</span>
        </p>
        <p className="text-right">{spelledOut}</p>
      </div>
      <div className="flex flex-wrap items-center gap-x-4 sm:pl-42">
        {advice && (
          <>
            <button
              type="button"
              className="min-h-8 text-advised underline underline-offset-4 pointer-coarse:min-h-11"
              aria-expanded={reasonOpen}
              onClick={onReason}
            >
              advised: {labels(item, advice.stopIds)}
            </button>
            {!advice.stopIds.includes(draftStopId) && (
              <Button look="quiet" className="text-sm" onClick={() => move(advice.stopId)}>
                take {stopById(item, advice.stopId).label}
              </Button>
            )}
          </>
        )}
        {onEsc && (
          <Button look="quiet" className="text-sm" onClick={() => move(onEsc.id)}>
            put back
          </Button>
        )}
        <ForAWhile item={item} stopId={draftStopId} returnsTo={onEsc} temporary={temporary} onMove={onMove} />
        {inactive && <span className="text-muted">{inactive}</span>}
      </div>
      {reasonOpen && <RailReason item={item} draft={draft} advice={advice} />}
    </div>
  );
}

function labels(item: ProfileItem, stopIds: string[]): string {
  const names = stopIds.map((id) => stopById(item, id).label);
  return names.length > 2 ? `${names[0]!} to ${names.at(-1)!}` : names.join(' or ');
}
