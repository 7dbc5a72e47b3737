import type { Advice } from '#core/advice/advise';
import { numbersOf } from '#core/esc/numberField';
import { stopById, type ProfileItem, type Stop } from '#core/esc/profile';
import type { Holding } from '#core/sheet/evidence';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { EscMark, escMarkOf } from '../../ui/marks';

interface Props {
  item: ProfileItem;
  /** Its stops, lowest first. */
  stops: readonly Stop[];
  holding: Holding | undefined;
  draftStopId: string;
  /** Whether there is a draft to show: an unknown value that nobody touched has no mark. */
  hasDraftMark: boolean;
  /** Whether the draft is another than what is on the ESC. */
  differs: boolean;
  advice: Advice | undefined;
  /** The value in words, for whoever does not see the rail. */
  words: string;
  faded: boolean;
  onMove: (stopId: string) => void;
  onReason: () => void;
}

/** The line with its stops: disc for what is on the ESC, a diamond for the draft, bracket for the advice. */
export function RailTrack({
  item,
  stops,
  holding,
  draftStopId,
  hasDraftMark,
  differs,
  advice,
  words,
  faded,
  onMove,
  onReason,
}: Props) {
  const track = useRef<HTMLDivElement>(null);
  const place = (stopId: string): number => stops.findIndex((stop) => stop.id === stopId);
  const share = (index: number): string => `${(index / (stops.length - 1)) * 100}%`;
  const at = place(draftStopId);
  const onEsc = holding?.stopId ? stopById(item, holding.stopId) : undefined;
  // A broken ring stands where the value was when it was last known.
  const markStop = holding?.stopId ?? holding?.lastStopId;
  const advised = advice?.stopIds.map(place) ?? [];
  // A number has too many stops for a mark each: it is a line with a mark at every tenth, and every stop on it is real.
  const numbers = numbersOf(item);
  const isMarked = (stop: Stop): boolean =>
    numbers.length < MANY || !numbers.includes(stop) || numbers.indexOf(stop) % TENTH === 0;
  const go = (index: number): void => onMove(stops[Math.max(0, Math.min(stops.length - 1, index))]!.id);

  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const act = KEYS[event.key];
    if (!act) return;
    event.preventDefault();
    act({ go, at, last: stops.length - 1, back: onEsc && (() => onMove(onEsc.id)), reason: onReason });
  };
  const onPointer = (event: PointerEvent): void => {
    const box = track.current!.getBoundingClientRect();
    const nearest = Math.round(((event.clientX - box.left) / box.width) * (stops.length - 1));
    if (nearest !== at) go(nearest);
  };
  return (
    <div
      ref={track}
      role="slider"
      data-rail={item.id}
      tabIndex={0}
      aria-labelledby={`rail-${item.id}`}
      aria-valuemin={0}
      aria-valuemax={stops.length - 1}
      aria-valuenow={at}
      aria-valuetext={words}
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        onPointer(event);
      }}
      onPointerMove={(event) => event.buttons === 1 && onPointer(event)}
      className={`relative h-11 scroll-mt-14 scroll-mb-60 cursor-pointer touch-pan-y lg:scroll-mb-16 ${faded ? 'opacity-50' : ''}`}
    >
      <span className="absolute inset-x-0 top-5 h-0.5 bg-ink" />
      {stops.filter(isMarked).map((stop) => (
        <span
          key={stop.id}
          className="absolute top-3.5 h-3.5 w-0.5 -translate-x-1/2 bg-ink"
          style={{ left: share(place(stop.id)) }}
        />
      ))}
      {advised.length > 0 && (
        <span
          className="absolute top-8 h-2 min-w-2 border-x-[3px] border-b-[3px] border-advised"
          style={{
            left: `calc(${share(Math.min(...advised))} - 8px)`,
            width: `calc(${share(Math.max(...advised) - Math.min(...advised))} + 16px)`,
          }}
        />
      )}
      {onEsc && differs && (
        <span
          className="absolute top-[1.1875rem] h-1 bg-draft"
          style={{
            left: share(Math.min(at, place(onEsc.id))),
            width: share(Math.abs(at - place(onEsc.id))),
          }}
        />
      )}
      {hasDraftMark && (
        <svg
          viewBox="0 0 26 26"
          className="absolute top-2 size-6.5 -translate-x-1/2"
          style={{ left: share(at) }}
          aria-hidden="true"
        >
          <path d="M13 2L24 13 13 24 2 13z" className="fill-sheet stroke-draft" strokeWidth="2.5" />
        </svg>
      )}
      {markStop && (
        <span className="absolute top-[0.8125rem] -translate-x-1/2" style={{ left: share(place(markStop)) }}>
          <EscMark mark={escMarkOf(holding)} className="size-4" />
        </span>
      )}
    </div>
  );
}

const MANY = 30;
const TENTH = 10;

interface KeyContext {
  go: (index: number) => void;
  at: number;
  last: number;
  back: (() => void) | undefined;
  reason: () => void;
}

const stepUp = ({ go, at }: KeyContext): void => go(at + 1);
const stepDown = ({ go, at }: KeyContext): void => go(at - 1);

const KEYS: Readonly<Record<string, (context: KeyContext) => void>> = {
  ArrowRight: stepUp,
  ArrowUp: stepUp,
  ArrowLeft: stepDown,
  ArrowDown: stepDown,
  PageUp: ({ go, at }) => go(at + TENTH),
  PageDown: ({ go, at }) => go(at - TENTH),
  Home: ({ go }) => go(0),
  End: ({ go, last }) => go(last),
  Backspace: ({ back }) => back?.(),
  Enter: ({ reason }) => reason(),
};
