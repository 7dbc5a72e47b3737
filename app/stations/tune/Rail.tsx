import type { Advice } from '#core/advice/advise';
import type { ActiveTemporary } from '#core/advice/temporary';
import { PRIORITIES } from '#core/advice/rule';
import { entersDrills } from '#core/physics/howItEnters';
import { stopById, type ProfileItem, type Stop } from '#core/esc/profile';
import { describeValue } from '#core/settings/value';
import { VOCABULARY, type Setting, type SettingId } from '#core/settings/vocabulary';
import type { Holding } from '#core/sheet/evidence';
import { memo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { Button } from '../../ui/Button';
import { EscMark, escMarkOf } from '../../ui/marks';
import { Term } from '../../ui/Term';
import { CurvePicture } from './CurvePicture';
import { ForAWhile } from './ForAWhile';
import { MovePreview } from './MovePreviews';
import { MoveEffect } from './lastMove';
import { inOrder } from '#core/esc/stopOrder';

const CURVES: readonly SettingId[] = ['throttleCurve', 'brakeCurve'];

interface Props {
  item: ProfileItem;
  cells: number;
  /** What the ESC is believed to hold. */
  holding: Holding | undefined;
  draftStopId: string;
  /** Whether the user means to change it. An unknown value that nobody touched has no lozenge. */
  isDrafted: boolean;
  advice: Advice | undefined;
  onMove: (itemId: string, stopId: string) => void;
  /** Why the setting does nothing here, if so. */
  inactive: string | undefined;
  /** What it goes back to, where the value is meant for a while. */
  temporary: ActiveTemporary | undefined;
}

/**
 * One setting on its real stops: disc for what is on the ESC, lozenge for the draft, bracket for the advice.
 * Arrows step, Home and End go to the ends, Backspace puts it back, Enter shows the reason. Drawn anew only where its own
 * value moves: forty of them must follow a finger.
 */
export const Rail = memo(function Rail({
  item,
  cells,
  holding,
  draftStopId,
  isDrafted,
  advice,
  onMove,
  inactive,
  temporary,
}: Props) {
  const setting = VOCABULARY[item.setting];
  const stops = inOrder(item, cells);
  const [reasonOpen, setReasonOpen] = useState(false);
  const track = useRef<HTMLDivElement>(null);

  const place = (stopId: string): number => stops.findIndex((stop) => stop.id === stopId);
  const at = place(draftStopId);
  const draft = stopById(item, draftStopId);
  const onEsc = holding?.stopId ? stopById(item, holding.stopId) : undefined;
  // A broken ring stands where the value was when it was last known.
  const markStop = holding?.stopId ?? holding?.lastStopId;
  const differs = isDrafted && draft.id !== onEsc?.id;
  const untouchedUnknown = !isDrafted && !onEsc;
  const share = (index: number): string => `${(index / (stops.length - 1)) * 100}%`;
  const move = (stopId: string): void => onMove(item.id, stopId);
  const go = (index: number): void => move(stops[Math.max(0, Math.min(stops.length - 1, index))]!.id);

  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const act = KEYS[event.key];
    if (!act) return;
    event.preventDefault();
    act({
      go,
      at,
      last: stops.length - 1,
      back: onEsc && (() => move(onEsc.id)),
      reason: () => setReasonOpen((open) => !open),
    });
  };
  const onPointer = (event: PointerEvent): void => {
    const box = track.current!.getBoundingClientRect();
    const nearest = Math.round(((event.clientX - box.left) / box.width) * (stops.length - 1));
    if (nearest !== at) go(nearest);
  };

  const advised = advice?.stopIds.map(place) ?? [];
  const spelledOut = meaning(draft, setting);
  const last = holding?.lastStopId;
  const lastKnown = last ? `before: ${stopById(item, last).label}` : 'nobody has looked';
  const words = untouchedUnknown
    ? `unknown, ${lastKnown}`
    : `${draft.label}${spelledOut && `, ${spelledOut}`}${differs ? `; on the ESC ${onEsc?.label ?? 'unknown'}` : ', as on the ESC'}`;

  return (
    <li className={`rail-row border-t border-rule py-3 ${inactive ? 'text-muted' : ''}`}>
      <div className="grid grid-cols-[1fr_auto] items-start gap-x-5 gap-y-1 sm:grid-cols-[9.5rem_1fr_8rem]">
        <div>
          <div className="flex items-center gap-1">
            <h3 className="font-sans leading-tight" id={`rail-${item.id}`}>
              {setting.id === 'other' ? item.label : setting.name}
            </h3>
            <Term setting={setting.id} />
          </div>
          <p className="text-sm text-muted">
            item {item.number} “{item.label}”
          </p>
        </div>
        <div className="order-last col-span-2 px-2 sm:order-none sm:col-span-1">
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
            className={`relative h-11 cursor-pointer touch-pan-y ${inactive ? 'opacity-50' : ''}`}
          >
            <span className="absolute inset-x-0 top-5 h-0.5 bg-ink" />
            {stops.map((stop, index) => (
              <span
                key={stop.id}
                className="absolute top-3.5 h-3.5 w-0.5 -translate-x-1/2 bg-ink"
                style={{ left: share(index) }}
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
            {!untouchedUnknown && (
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
              <span
                className="absolute top-[0.8125rem] -translate-x-1/2"
                style={{ left: share(place(markStop)) }}
              >
                <EscMark mark={escMarkOf(holding)} className="size-4" />
              </span>
            )}
          </div>
          {setting.choices ? (
            <p className="flex justify-between gap-2 text-sm text-muted">
              <span>◂ {stops[0]!.label}</span>
              <span className="text-right">{stops.at(-1)!.label} ▸</span>
            </p>
          ) : (
            <p className="flex justify-between gap-2 text-sm text-muted">
              <span>◂ {setting.lower}</span>
              <span className="text-right">{setting.higher} ▸</span>
            </p>
          )}
        </div>
        <div className="max-w-44 text-right">
          <p className={`font-display text-xl leading-tight font-bold ${differs ? 'text-draft' : ''}`}>
            {untouchedUnknown ? 'unknown' : draft.label}
          </p>
          {spelledOut && !untouchedUnknown && (
            <p className={`text-sm ${draft.basis === 'assumed' ? 'text-caution' : 'text-muted'}`}>
              {spelledOut}
            </p>
          )}
          <p className="text-sm text-muted">
            {differs
              ? `on the ESC: ${onEsc?.label ?? 'unknown'}`
              : untouchedUnknown
                ? lastKnown
                : 'as on the ESC'}
          </p>
        </div>
      </div>
      <div className="flex flex-wrap items-center gap-x-4 text-sm sm:pl-42">
        {advice && (
          <>
            <button
              type="button"
              className="min-h-8 text-advised underline underline-offset-4"
              aria-expanded={reasonOpen}
              onClick={() => setReasonOpen(!reasonOpen)}
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
        {differs && onEsc && (
          <Button look="quiet" className="text-sm" onClick={() => move(onEsc.id)}>
            put back
          </Button>
        )}
        <ForAWhile
          item={item}
          stopId={draftStopId}
          returnsTo={differs ? onEsc : undefined}
          temporary={temporary}
          onMove={onMove}
        />
        {inactive && <span className="text-muted">{inactive}</span>}
      </div>
      {CURVES.includes(setting.id) && !untouchedUnknown && (
        <CurvePicture item={item} draftStopId={draftStopId} onEscStopId={onEsc?.id} onMove={onMove} />
      )}
      <MoveEffect itemId={item.id} />
      {reasonOpen && (
        <div className="mt-1 max-w-xl sm:pl-42">
          <p>
            {setting.summary} {advice?.reason}
            {advice?.source === 'from memory' && ' (From memory.)'}
            {!entersDrills(item.setting) && ' No drill depends on it; it is loaded and recorded.'}
          </p>
          {advice && !advice.stopIds.includes(draftStopId) && (
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
              Instead of {stopById(item, stopId).label}, which yields because it is only{' '}
              {PRIORITIES[priority]}: {reason}
            </p>
          ))}
        </div>
      )}
    </li>
  );
});

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
  Home: ({ go }) => go(0),
  End: ({ go, last }) => go(last),
  Backspace: ({ back }) => back?.(),
  Enter: ({ reason }) => reason(),
};

/** What a stop means where its label does not say it: always when that is only assumed. */
function meaning(stop: Stop, setting: Setting): string {
  const words = describeValue(setting, stop.value);
  if (stop.basis === 'assumed') return `assumed ${words}`;
  return stop.value.kind === 'off' || plain(stop.label) === plain(words) ? '' : words;
}

const plain = (text: string): string => text.replaceAll(/[\s\u00a0]/g, '').replace('.0', '');

function labels(item: ProfileItem, stopIds: string[]): string {
  const names = stopIds.map((id) => stopById(item, id).label);
  return names.length > 2 ? `${names[0]!} to ${names.at(-1)!}` : names.join(' or ');
}
