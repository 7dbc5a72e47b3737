import {
  pulseMicros,
  restMicros,
  restPosition,
  stickEnds,
  type StickEnd,
  type ThrottleChannel,
} from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';
import { useState } from 'react';
import { useCommands } from '../preferences/useCommands';
import { Button } from '../ui/Button';
import { TickBox } from '../ui/TickBox';
import type { WorkedEsc } from './useSimulatedEsc';

const END_WORDS: Record<ThrottleChannel['rest'], Partial<Record<StickEnd, string>>> = {
  centre: { brake: 'full brake', neutral: 'let go', forward: 'full forward' },
  low: { neutral: 'right down', forward: 'full up' },
};

/** The radio's throttle hold: while it is on, the pulse of rest is sent whatever the throttle does. */
export interface ThrottleHold {
  on: boolean;
  set: (on: boolean) => void;
}

interface Props {
  bench: WorkedEsc;
  channel: ThrottleChannel;
  hold?: ThrottleHold | undefined;
}

/** The throttle of the simulated radio: a slider for any position, a button for each end. */
export function Throttle({ bench, channel, hold }: Props) {
  const { esc, input } = bench;
  const [moved, setStick] = useState(restPosition(channel));
  const stick = bench.throttle?.position ?? moved;
  const name = channel.rest === 'centre' ? 'trigger' : 'throttle stick';
  const send = (position: number, held: boolean): void =>
    input({ type: 'stick', micros: held ? restMicros(channel) : pulseMicros(channel, position) });
  const moveTo = (position: number): void => {
    if (bench.throttle) bench.throttle.move(position);
    else {
      setStick(position);
      send(position, hold?.on ?? false);
    }
  };
  useCommands({
    stickUp: () => moveTo(1),
    stickRest: () => moveTo(restPosition(channel)),
    stickBrake: () => moveTo(-1),
  });
  return (
    <fieldset className="mt-4">
      <legend className="text-sm text-muted">
        {name} · the radio sends {formatNumber(esc.config.stickMicros, 0)} µs
      </legend>
      <input
        type="range"
        min={-100}
        max={100}
        value={Math.round(stick * 100)}
        onChange={(event) => moveTo(Number(event.target.value) / 100)}
        aria-label={`${name}, per cent of travel`}
        className="mt-1 h-8 w-full accent-ink"
      />
      <div className="flex justify-between gap-2">
        {stickEnds(channel).map(([end, position]) => (
          <Button key={end} className="min-h-14 flex-1 px-2 text-sm" onClick={() => moveTo(position)}>
            {END_WORDS[channel.rest][end]}
          </Button>
        ))}
      </div>
      {hold && (
        <TickBox
          on={hold.on}
          onChange={(on) => {
            hold.set(on);
            if (!bench.throttle) send(stick, on);
          }}
          className="mt-2 text-sm"
        >
          throttle hold on the radio
        </TickBox>
      )}
    </fieldset>
  );
}
