import { nameOf, stopById, type Stop } from '#core/esc/profile';
import { describeValue } from '#core/settings/value';
import { VOCABULARY, type Setting, type SettingId } from '#core/settings/vocabulary';
import { memo, useState } from 'react';
import { Term } from '../../ui/Term';
import { CurveDrawing } from './CurveDrawing';
import { CurvePicture } from './CurvePicture';
import { MoveEffect } from './lastMove';
import { RailDetails } from './RailDetails';
import type { RailProps } from './railProps';
import { RailTrack } from './RailTrack';
import { inOrder } from '#core/esc/stopOrder';

const CURVES: readonly SettingId[] = ['throttleCurve', 'brakeCurve'];

/**
 * One setting on its real stops: disc for what is on the ESC, a diamond for the draft, bracket for the advice. One compact
 * row; the rest where the eye or the focus is. Arrows step, Home and End go to the ends, Backspace puts it back, Enter shows
 * the reason. Drawn again only where its own value moves: forty of them must follow a finger.
 */
export const Rail = memo(function Rail(props: RailProps) {
  const { item, cells, holding, draftStopId, isDrafted, advice, onMove, inactive, isOpen, onOpen } = props;
  const setting = VOCABULARY[item.setting];
  const stops = inOrder(item, cells);
  const [reasonOpen, setReasonOpen] = useState(false);
  const toggleReason = (): void => setReasonOpen((open) => !open);
  const draft = stopById(item, draftStopId);
  const onEsc = holding?.stopId ? stopById(item, holding.stopId) : undefined;
  const differs = isDrafted && draft.id !== onEsc?.id;
  const untouchedUnknown = !isDrafted && !onEsc;
  const spelledOut = untouchedUnknown ? '' : meaning(draft, setting);
  const last = holding?.lastStopId;
  const lastKnown = last ? `before: ${stopById(item, last).label}` : 'not checked';
  const words = untouchedUnknown
    ? `unknown, ${lastKnown}`
    : `${draft.label}${spelledOut && `, ${spelledOut}`}${differs ? `; on the ESC ${onEsc?.label ?? 'unknown'}` : ', as on the ESC'}`;
  const besides = differs
    ? `ESC: ${onEsc?.label ?? 'unknown'}`
    : untouchedUnknown
      ? lastKnown
      : inactive
        ? 'no effect'
        : spelledOut;

  return (
    <li
      className={`rail-row border-t border-rule py-0.5 ${inactive ? 'text-muted' : ''}`}
      // Not as soon as it is pressed: the row that closes would move this one away from under the finger.
      onPointerUp={() => onOpen(item.id)}
      onFocus={({ target }) => target.matches(':focus-visible') && onOpen(item.id)}
    >
      <div className="grid grid-cols-[1fr_auto] items-center gap-x-4 sm:grid-cols-[9.5rem_1fr_7.5rem]">
        <div className="flex items-center gap-1">
          <h3 className="font-sans leading-tight" id={`rail-${item.id}`}>
            {nameOf(item)}
          </h3>
          <Term setting={setting.id} />
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
              hasDraftMark={!untouchedUnknown}
              differs={differs}
              advice={advice}
              words={words}
              faded={inactive !== undefined}
              onMove={(stopId) => onMove(item.id, stopId)}
              onReason={toggleReason}
            />
          )}
        </div>
        <div className="text-right leading-tight">
          <p className={`font-display text-lg leading-tight font-bold ${differs ? 'text-draft' : ''}`}>
            {untouchedUnknown ? 'unknown' : draft.label}
          </p>
          <p
            className={`text-sm leading-tight ${besides !== '' && besides === spelledOut && draft.basis === 'assumed' ? 'text-caution' : 'text-muted'}`}
          >
            {besides}
          </p>
        </div>
      </div>
      {isOpen && (
        <RailDetails
          {...props}
          ends={setting.choices ? [stops[0]!.label, stops.at(-1)!.label] : [setting.lower, setting.higher]}
          draft={draft}
          onEsc={differs ? onEsc : undefined}
          spelledOut={differs ? spelledOut : ''}
          reasonOpen={reasonOpen}
          onReason={toggleReason}
        />
      )}
      {isOpen && CURVES.includes(setting.id) && !item.freeCurve && !untouchedUnknown && (
        <CurvePicture item={item} draftStopId={draftStopId} onEscStopId={onEsc?.id} onMove={onMove} />
      )}
      {isOpen && <MoveEffect itemId={item.id} />}
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
