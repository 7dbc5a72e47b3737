import { stopById, type ProfileItem } from '#core/esc/profile';
import { curveOfValue, onCurve } from '#core/physics/triggerChain';
import { formatNumber } from '#core/units/format';
import { useRef, type PointerEvent } from 'react';

interface Props {
  item: ProfileItem;
  draftStopId: string;
  /** What the ESC holds; undefined where nobody knows. */
  onEscStopId: string | undefined;
  onMove: (itemId: string, stopId: string) => void;
}

/** Where the handle stands and the exact numbers are told, shares of the trigger. */
const HANDLE = 0.5;
const TOLD = [0.25, 0.5, 0.75] as const;

/**
 * A curve as it is felt: trigger across, output up. Its middle is dragged, and comes to rest on what this ESC has; the rail
 * above does the same by keys.
 */
export function CurvePicture({ item, draftStopId, onEscStopId, onMove }: Props) {
  const picture = useRef<SVGSVGElement>(null);
  const curveAt = (stopId: string): ((trigger: number) => number) => {
    const curve = curveOfValue(stopById(item, stopId).value);
    return (trigger) => onCurve(curve, trigger);
  };
  const draft = curveAt(draftStopId);
  const drag = (event: PointerEvent): void => {
    const box = picture.current!.getBoundingClientRect();
    const wanted = 1 - (event.clientY - box.top) / box.height;
    const off = (stopId: string): number => Math.abs(curveAt(stopId)(HANDLE) - wanted);
    const nearest = item.stops.reduce((best, { id }) => (off(id) < off(best) ? id : best), draftStopId);
    if (nearest !== draftStopId) onMove(item.id, nearest);
  };
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1 sm:pl-42">
      <svg
        ref={picture}
        viewBox="0 0 100 100"
        className="h-28 w-40 cursor-ns-resize touch-none border border-rule bg-sheet"
        preserveAspectRatio="none"
        aria-hidden="true"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          drag(event);
        }}
        onPointerMove={(event) => event.buttons === 1 && drag(event)}
      >
        <path d="M0 100L100 0" className="stroke-rule" vectorEffect="non-scaling-stroke" />
        {onEscStopId !== undefined && (
          <path
            d={drawn(curveAt(onEscStopId))}
            fill="none"
            className="stroke-ink"
            strokeDasharray="6 5"
            strokeWidth="2"
            vectorEffect="non-scaling-stroke"
          />
        )}
        <path
          d={drawn(draft)}
          fill="none"
          className="stroke-draft"
          strokeWidth="3"
          vectorEffect="non-scaling-stroke"
        />
        <ellipse
          cx={HANDLE * 100}
          cy={100 - draft(HANDLE) * 100}
          rx="5"
          ry="7"
          className="fill-sheet stroke-draft"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <dl className="grid grid-cols-[auto_auto] gap-x-3 text-sm">
        {TOLD.map((trigger) => (
          <div key={trigger} className="contents">
            <dt className="text-muted">{formatNumber(trigger * 100, 0)} % trigger gives</dt>
            <dd className="text-right font-bold">{formatNumber(draft(trigger) * 100, 0)} %</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

const POINTS = 20;

const drawn = (output: (trigger: number) => number): string =>
  `M${Array.from({ length: POINTS + 1 }, (_, n) => `${(n / POINTS) * 100} ${100 - output(n / POINTS) * 100}`).join('L')}`;
