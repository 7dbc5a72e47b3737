import { microsOfPercent, percentOfMicros } from '#core/calibration/travelTest';
import {
  pulseMicros,
  restPosition,
  throttleFraction,
  type LearnedRange,
  type ThrottleChannel,
} from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';
import { useState } from 'react';
import { TickBox } from '../../ui/TickBox';
import { INPUT } from '../rig/formParts';
import { useGamepad, type GamepadNow } from '../../simulated/useGamepad';

type Source = 'none' | 'simulated' | 'controller';

const SOURCES: Record<Source, string> = {
  none: 'I type the numbers from my radio or a tester',
  simulated: 'simulated radio and ESC',
  controller: 'my transmitter as a USB game controller',
};

interface Live {
  source: Source;
  setSource: (source: Source) => void;
  stick: number;
  setStick: (stick: number) => void;
  pad: GamepadNow | undefined;
  axis: number;
  setAxis: (axis: number) => void;
  turned: boolean;
  setTurned: (turned: boolean) => void;
  /** The pulse at this moment, µs; undefined where nothing sends one. */
  micros: number | undefined;
}

/** Where the live pulse comes from, if from anywhere. A controller's axis is what the radio's own monitor shows. */
export function useLivePulse(channel: ThrottleChannel): Live {
  const [source, setSource] = useState<Source>('none');
  const [stick, setStick] = useState(restPosition(channel));
  const [axis, setAxis] = useState(0);
  const [turned, setTurned] = useState(false);
  const pad = useGamepad(source === 'controller');
  const value = pad?.axes[axis];
  const micros =
    source === 'simulated'
      ? pulseMicros(channel, stick)
      : value === undefined
        ? undefined
        : microsOfPercent(channel, (turned ? -value : value) * 100);
  return { source, setSource, stick, setStick, pad, axis, setAxis, turned, setTurned, micros };
}

interface Props {
  live: Live;
  channel: ThrottleChannel;
  range: LearnedRange;
  deadbandMicros: number;
}

/** Choosing where the pulse comes from, and what is seen there now. */
export function LivePulse({ live, channel, range, deadbandMicros }: Props) {
  const { source, setSource, stick, setStick, micros } = live;
  return (
    <fieldset className="rounded-sm border border-rule bg-sheet p-4">
      <legend className="px-1 font-display text-lg font-bold">Source of the numbers</legend>
      <div className="flex flex-wrap gap-x-6">
        {(Object.keys(SOURCES) as Source[]).map((one) => (
          <label key={one} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name="source"
              className="size-5 accent-draft"
              checked={source === one}
              onChange={() => setSource(one)}
            />
            {SOURCES[one]}
          </label>
        ))}
      </div>
      {source === 'simulated' && (
        <label className="mt-2 block">
          <span className="text-muted">{channel.rest === 'centre' ? 'Trigger' : 'Throttle stick'}</span>
          <input
            type="range"
            min={-1000}
            max={1000}
            value={Math.round(stick * 1000)}
            onChange={(event) => setStick(Number(event.target.value) / 1000)}
            aria-label="Simulated throttle, in thousandths of travel"
            className="h-8 w-full accent-ink"
          />
        </label>
      )}
      {source === 'controller' && <Controller live={live} />}
      {micros !== undefined && (
        <p className="mt-1" aria-live="off">
          <span className="font-display text-2xl font-bold" data-testid="live-pulse">
            {formatNumber(micros, 0)} µs
          </span>{' '}
          <span className="text-muted">
            {formatNumber(percentOfMicros(channel, micros), 0)} % on the radio
          </span>
          {source === 'simulated' && (
            <span className="ml-4" data-testid="live-motor">
              {motorWords(throttleFraction(range, deadbandMicros, micros))}
            </span>
          )}
        </p>
      )}
    </fieldset>
  );
}

function Controller({ live: { pad, axis, setAxis, turned, setTurned } }: { live: Live }) {
  if (!pad)
    return (
      <p className="mt-2 text-muted" role="status">
        No controller found. Plug the transmitter in, set it to game controller mode, and move a stick.
        Browsers show it only after that.
      </p>
    );
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-6 gap-y-2">
      <p>
        Seen: <strong>{pad.name}</strong>
      </p>
      <label className="flex items-center gap-2">
        Throttle axis
        <select value={axis} onChange={(event) => setAxis(Number(event.target.value))} className={INPUT}>
          {pad.axes.map((value, place) => (
            <option key={place} value={place}>
              {place + 1}: {formatNumber(value * 100, 0)} %
            </option>
          ))}
        </select>
      </label>
      <TickBox on={turned} onChange={setTurned}>
        reversed
      </TickBox>
    </div>
  );
}

function motorWords(signal: number): string {
  if (signal === 0) return 'motor still';
  const word = signal > 0 ? 'motor drives' : 'motor brakes';
  return Math.abs(signal) >= 1
    ? `${word}, lamp shows full`
    : `${word} with ${formatNumber(Math.abs(signal) * 100, 1)} %`;
}
