import type { Advice } from '#core/advice/advise';
import type { ActiveTemporary } from '#core/advice/temporary';
import { stopById, type ProfileItem, type Stop } from '#core/esc/profile';
import { describeValue } from '#core/settings/value';
import { VOCABULARY, type Setting, type SettingId } from '#core/settings/vocabulary';
import type { Holding } from '#core/sheet/evidence';
import { memo, useState } from 'react';
import { Button } from '../../ui/Button';
import { Term } from '../../ui/Term';
import { CurveDrawing } from './CurveDrawing';
import { CurvePicture } from './CurvePicture';
import { ForAWhile } from './ForAWhile';
import { MoveEffect } from './lastMove';
import { RailReason } from './RailReason';
import { RailTrack } from './RailTrack';
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
  const toggleReason = (): void => setReasonOpen((open) => !open);
  const draft = stopById(item, draftStopId);
  const onEsc = holding?.stopId ? stopById(item, holding.stopId) : undefined;
  const differs = isDrafted && draft.id !== onEsc?.id;
  const untouchedUnknown = !isDrafted && !onEsc;
  const move = (stopId: string): void => onMove(item.id, stopId);
  const spelledOut = meaning(draft, setting);
  const last = holding?.lastStopId;
  const lastKnown = last ? `before: ${stopById(item, last).label}` : 'not checked';
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
          {item.freeCurve ? (
            <CurveDrawing
              item={item}
              freeCurve={item.freeCurve}
              draftStopId={draftStopId}
              onEscStopId={onEsc?.id}
              onMove={onMove}
            />
          ) : (
            <RailTrack
              item={item}
              stops={stops}
              holding={holding}
              draftStopId={draftStopId}
              hasLozenge={!untouchedUnknown}
              differs={differs}
              advice={advice}
              words={words}
              faded={inactive !== undefined}
              onMove={move}
              onReason={toggleReason}
            />
          )}
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
              onClick={toggleReason}
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
      {CURVES.includes(setting.id) && !item.freeCurve && !untouchedUnknown && (
        <CurvePicture item={item} draftStopId={draftStopId} onEscStopId={onEsc?.id} onMove={onMove} />
      )}
      <MoveEffect itemId={item.id} />
      {reasonOpen && <RailReason item={item} draft={draft} advice={advice} />}
    </li>
  );
});

/** What a stop means where its label does not say it: always when that is only assumed. */
function meaning(stop: Stop, setting: Setting): string {
  // A drawn curve is its points.
  if (stop.number === 0) return '';
  const words = describeValue(setting, stop.value);
  if (stop.basis === 'assumed') return `assumed ${words}`;
  return stop.value.kind === 'off' || plain(stop.label) === plain(words) ? '' : words;
}

const plain = (text: string): string => text.replaceAll(/[\s\u00a0]/g, '').replace('.0', '');

function labels(item: ProfileItem, stopIds: string[]): string {
  const names = stopIds.map((id) => stopById(item, id).label);
  return names.length > 2 ? `${names[0]!} to ${names.at(-1)!}` : names.join(' or ');
}
