import {
  curveFault,
  curveStopId,
  curveValue,
  outputsOf,
  typedOutputs,
  withPoint,
  type FreeCurve,
} from '#core/esc/freeCurve';
import { stopById, type ProfileItem } from '#core/esc/profile';
import { curveOfValue, onCurve } from '#core/physics/triggerChain';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { Button } from '../../ui/Button';
import { INPUT } from '../rig/formParts';

interface Props {
  item: ProfileItem;
  freeCurve: FreeCurve;
  draftStopId: string;
  /** What the ESC holds; undefined where nobody knows. */
  onEscStopId: string | undefined;
  onMove: (itemId: string, stopId: string) => void;
}

/** A curve that is drawn: each of its points is moved by hand or by keys, or all of them are typed. */
export function CurveDrawing({ item, freeCurve, draftStopId, onEscStopId, onMove }: Props) {
  const picture = useRef<HTMLDivElement>(null);
  const outputs = outputsAt(item, freeCurve, draftStopId);
  const place = (at: number, output: number): void =>
    onMove(item.id, curveStopId(withPoint(outputs, at, output)));
  const drag = (event: PointerEvent, at: number): void => {
    const box = picture.current!.getBoundingClientRect();
    place(at, 100 * (1 - (event.clientY - box.top) / box.height));
  };
  const onKeyDown = (event: KeyboardEvent, at: number): void => {
    const by = STEPS[event.key];
    if (by === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    place(at, outputs[at]! + by);
  };
  return (
    <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
      <div ref={picture} className="relative m-2 h-40 w-60 border border-rule bg-sheet" data-rail={item.id}>
        <svg
          viewBox="0 0 100 100"
          preserveAspectRatio="none"
          className="absolute inset-0 size-full"
          aria-hidden="true"
        >
          <path d="M0 100L100 0" className="stroke-rule" vectorEffect="non-scaling-stroke" />
          {onEscStopId !== undefined && (
            <Line outputs={outputsAt(item, freeCurve, onEscStopId)} className="stroke-ink" dashed />
          )}
          <Line outputs={outputs} className="stroke-draft" />
        </svg>
        {outputs.map((output, at) => {
          const trigger = Math.round((100 * at) / (outputs.length - 1));
          return (
            <div
              key={at}
              role="slider"
              tabIndex={0}
              aria-label={`Point at ${trigger} % trigger`}
              aria-orientation="vertical"
              aria-valuemin={0}
              aria-valuemax={100}
              aria-valuenow={output}
              aria-valuetext={`${output} %`}
              onKeyDown={(event) => onKeyDown(event, at)}
              onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
              onPointerMove={(event) => event.buttons === 1 && drag(event, at)}
              className="absolute size-5 -translate-x-1/2 translate-y-1/2 cursor-ns-resize touch-none rounded-full border-[3px] border-draft bg-sheet"
              style={{ left: `${trigger}%`, bottom: `${output}%` }}
            />
          );
        })}
      </div>
      <TypedPoints
        key={draftStopId}
        freeCurve={freeCurve}
        outputs={outputs}
        onTyped={(typed) => onMove(item.id, curveStopId(typed))}
      />
    </div>
  );
}

/** The points of a stop; of one that is chosen rather than drawn, where its curve goes through them. */
function outputsAt(item: ProfileItem, freeCurve: FreeCurve, stopId: string): number[] {
  const drawn = outputsOf(freeCurve, stopId);
  if (drawn) return drawn;
  const curve = curveOfValue(stopById(item, stopId).value);
  return Array.from({ length: freeCurve.points }, (_, n) =>
    Math.round(100 * onCurve(curve, n / (freeCurve.points - 1))),
  );
}

const STEPS: Readonly<Record<string, number>> = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  PageUp: 10,
  PageDown: -10,
};

function Line({
  outputs,
  className,
  dashed = false,
}: {
  outputs: number[];
  className: string;
  dashed?: boolean;
}) {
  const curve = curveOfValue(curveValue(outputs));
  return (
    <path
      d={`M${curve.map(([x, y]) => `${x * 100} ${100 - y * 100}`).join('L')}`}
      fill="none"
      className={className}
      strokeWidth={dashed ? 2 : 3}
      {...(dashed && { strokeDasharray: '6 5' })}
      vectorEffect="non-scaling-stroke"
    />
  );
}

function TypedPoints({
  freeCurve,
  outputs,
  onTyped,
}: {
  freeCurve: FreeCurve;
  outputs: number[];
  onTyped: (outputs: number[]) => void;
}) {
  const [text, setText] = useState(outputs.join(' '));
  const typed = typedOutputs(text);
  const fault = curveFault(freeCurve, typed);
  return (
    <form
      className="grid gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (fault === undefined) onTyped(typed);
      }}
    >
      <label className="grid gap-1 text-sm">
        Its {freeCurve.points} points, %
        <input
          value={text}
          onChange={(event) => setText(event.target.value)}
          autoComplete="off"
          aria-invalid={fault !== undefined}
          className={`${INPUT} w-56`}
        />
      </label>
      {fault && <p className="max-w-56 text-sm font-bold text-hazard">{fault}</p>}
      <Button
        type="submit"
        className="justify-self-start"
        disabled={fault !== undefined || typed.join() === outputs.join()}
      >
        Use these
      </Button>
    </form>
  );
}
