import type { DrillNumber, Trace } from '#core/physics/drills/drill';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useRef, type PointerEvent } from 'react';
import type { DrillPair } from '../../workers/drills.worker';
import { useBench } from '../bench/BenchContext';
import { plainNumber } from './DrillNumbers';

/** A strip that is drawn up or down by its handle. */
export interface Docked {
  isUp: boolean;
  setUp: (isUp: boolean) => void;
}

const LEADING = 2;
/** A finger that has moved so far means it, px. */
const DRAWN_PX = 24;

interface Props {
  name: string;
  pair: DrillPair | undefined;
  docked: Docked;
}

/** The current drill in a strip: its curve, and its two leading numbers from now to draft. */
export function DrillStrip({ name, pair, docked }: Props) {
  const { verdicts } = useBench();
  const hazards = verdicts.filter(({ grade }) => grade === 'hazard').length;
  return (
    <div className="-mx-5 flex h-full items-stretch gap-2 px-3">
      <div className="w-2/5 max-w-48 shrink-0 py-1.5">
        {pair && <SmallCurves now={pair.now} draft={pair.draft} />}
      </div>
      <dl className="grid min-w-0 flex-1 content-center gap-0.5 py-1 text-sm" data-testid="leading-numbers">
        {pair?.draft.numbers.slice(0, LEADING).map((number) => (
          <LeadingNumber
            key={number.id}
            before={pair.now.numbers.find(({ id }) => id === number.id)}
            number={number}
          />
        ))}
      </dl>
      <Handle name={name} hazards={hazards} docked={docked} />
    </div>
  );
}

function LeadingNumber({ before, number }: { before: DrillNumber | undefined; number: DrillNumber }) {
  const was = before && plainNumber(before);
  const is = plainNumber(number);
  return (
    <div>
      <dt className="truncate text-muted">{number.name}</dt>
      <dd className="truncate font-bold">
        {was !== undefined && was !== is && <span className="font-normal">{was} → </span>}
        <span className={was === is ? '' : 'text-draft'}>
          {is} {number.value === undefined ? '' : number.unit}
        </span>
      </dd>
    </div>
  );
}

/** Pressed or drawn: up for all of the drill, down for the strip. */
export function Handle({ name, hazards, docked }: { name: string; hazards: number; docked: Docked }) {
  const { isUp, setUp } = docked;
  const from = useRef(0);
  const wasDrawn = useRef(false);
  const Icon = isUp ? ChevronDown : ChevronUp;
  const onPointerMove = (event: PointerEvent): void => {
    if (event.buttons === 0 || wasDrawn.current || Math.abs(event.clientY - from.current) < DRAWN_PX) return;
    wasDrawn.current = true;
    setUp(event.clientY < from.current);
  };
  return (
    <button
      type="button"
      aria-expanded={isUp}
      aria-label={isUp ? `Close ${name}` : `Show all of ${name}`}
      className="flex min-h-11 min-w-16 touch-none flex-col items-center justify-center text-sm"
      onPointerDown={(event) => {
        from.current = event.clientY;
        wasDrawn.current = false;
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={onPointerMove}
      // What was drawn has been done already.
      onClick={() => !wasDrawn.current && setUp(!isUp)}
    >
      <Icon className="size-5" aria-hidden="true" />
      <span className="font-bold">{name}</span>
      {hazards > 0 && (
        <span className="font-bold text-hazard">
          {hazards} {hazards === 1 ? 'hazard' : 'hazards'}
        </span>
      )}
    </button>
  );
}

const WIDTH = 160;
const HEIGHT = 64;

/** Both curves without axes: what is on the ESC dashed, the draft solid. */
function SmallCurves({ now, draft }: { now: Trace; draft: Trace }) {
  const points = [...now.points, ...draft.points];
  const right = Math.max(...points.map(({ x }) => x));
  const left = Math.min(...points.map(({ x }) => x));
  const top = Math.max(...points.map(({ y }) => y));
  const bottom = Math.min(0, ...points.map(({ y }) => y));
  const path = (trace: Trace): string =>
    trace.points
      .map(({ x, y }, n) => {
        const across = ((x - left) / (right - left || 1)) * WIDTH;
        const down = HEIGHT - ((y - bottom) / (top - bottom || 1)) * HEIGHT;
        return `${n === 0 ? 'M' : 'L'}${across.toFixed(1)} ${down.toFixed(1)}`;
      })
      .join('');
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 -3 ${WIDTH} ${HEIGHT + 6}`}
        preserveAspectRatio="none"
        className="h-14 w-full border-b border-l border-rule"
        aria-hidden="true"
      >
        <path
          d={path(now)}
          fill="none"
          className="stroke-ink"
          strokeWidth="1.5"
          strokeDasharray="5 4"
          vectorEffect="non-scaling-stroke"
        />
        <path
          d={path(draft)}
          data-trace="draft"
          fill="none"
          className="stroke-draft"
          strokeWidth="2.5"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <figcaption className="truncate text-xs text-muted">{draft.yLabel}</figcaption>
    </figure>
  );
}
