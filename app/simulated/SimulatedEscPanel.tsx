import type { ThrottleChannel } from '#core/radio/pulse';
import { pulseMicros } from '#core/radio/pulse';
import { STICK_ENDS, type StickEnd } from '#core/plan/calibrationPlan';
import { motorDemand } from '#core/device/simulatedEsc';
import { stateOf } from '#core/procedure/step';
import { formatNumber } from '#core/units/format';
import { Power } from 'lucide-react';
import { useEffect, useEffectEvent, useState, type PointerEvent } from 'react';
import { Button } from '../ui/Button';
import { Lamp } from './Lamp';
import type { Bench } from './useSimulatedEsc';

interface Props {
  bench: Bench;
  channel: ThrottleChannel;
  /** Whether the model was made safe; nothing can be switched on before. */
  safe: boolean;
}

const END_WORDS: Record<StickEnd, string> = {
  brake: 'full brake',
  neutral: 'let go',
  forward: 'full forward',
};

/** The simulated ESC to work with mouse, touch or keyboard: set key, power switch, trigger, lamp and sound. */
export function SimulatedEscPanel({ bench, channel, safe }: Props) {
  const { esc, display, input } = bench;
  const keyName = esc.profile.medium.keyName;
  const { role, keyDown } = stateOf(esc.machine, esc.config);
  const on = role !== 'off';
  const [held, setHeld] = useState(false);

  const press = (): void => {
    setHeld(true);
    input({ type: 'down' });
  };
  const release = (): void => {
    if (!held) return;
    setHeld(false);
    input({ type: 'up' });
  };
  useWindowKeys({ press, release, power: () => safe && input({ type: 'power', on: !on }) });

  return (
    <section
      aria-labelledby="simulated"
      onPointerDown={keepFocus}
      className="rounded-sm border border-ink bg-sheet p-4"
    >
      <h2 id="simulated" className="text-lg">
        Simulated {esc.profile.name}
      </h2>
      <div className="mt-3">
        <Lamp display={display} on={on} />
      </div>
      <div className="mt-4 flex flex-wrap gap-3">
        <button
          type="button"
          data-esc-key
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            press();
          }}
          onPointerUp={release}
          onPointerCancel={release}
          className={`min-h-16 min-w-28 touch-none rounded-md border-2 border-ink px-3.5 font-display text-xl font-bold select-none ${held ? 'translate-y-0.5 bg-ink text-film' : 'bg-film'}`}
        >
          {keyName}
          <span className="block text-xs font-normal">hold: space bar</span>
        </button>
        <Button
          onClick={() => input({ type: 'power', on: !on })}
          disabled={!safe}
          className="min-h-16"
          aria-keyshortcuts="p"
        >
          <Power className="size-5" aria-hidden="true" />
          Switch {on ? 'off' : 'on'}
        </Button>
        <label className="flex min-h-11 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="size-5 accent-draft"
            checked={held}
            onChange={(event) => (event.target.checked ? press() : release())}
          />
          keep {keyName} held down
        </label>
      </div>
      {!safe && <p className="mt-2 text-sm font-bold text-hazard">Say first what makes the model safe.</p>}
      <Trigger bench={bench} channel={channel} />
      <p className="mt-3 border-t border-rule pt-2 text-sm text-muted">
        motor: {motorWords(motorDemand(esc))} · {on ? 'on' : 'off'}
        {keyDown ? `, ${keyName} held` : ''} · space bar: {keyName}, P: power
      </p>
    </section>
  );
}

function Trigger({ bench, channel }: Pick<Props, 'bench' | 'channel'>) {
  const { esc, input } = bench;
  const micros = esc.config.stickMicros;
  const [stick, setStick] = useState(0);
  const moveTo = (position: number): void => {
    setStick(position);
    input({ type: 'stick', micros: pulseMicros(channel, position) });
  };
  return (
    <fieldset className="mt-4">
      <legend className="text-sm text-muted">trigger · the radio sends {formatNumber(micros, 0)} µs</legend>
      <input
        type="range"
        min={-100}
        max={100}
        value={Math.round(stick * 100)}
        onChange={(event) => moveTo(Number(event.target.value) / 100)}
        aria-label="Trigger, per cent of travel"
        className="mt-1 h-8 w-full accent-ink"
      />
      <div className="flex justify-between gap-2">
        {(['brake', 'neutral', 'forward'] as const).map((end) => (
          <Button key={end} className="flex-1 px-2 text-sm" onClick={() => moveTo(STICK_ENDS[end])}>
            {END_WORDS[end]}
          </Button>
        ))}
      </div>
    </fieldset>
  );
}

/** A click on a button here must not take the space bar away from the set key; Tab still reaches every button. */
function keepFocus(event: PointerEvent): void {
  if (event.target instanceof HTMLElement && event.target.closest('button')) event.preventDefault();
}

function motorWords(demand: number): string {
  if (demand === 0) return 'still';
  const percent = formatNumber(Math.abs(demand) * 100, 0);
  return demand > 0 ? `drives with ${percent} %` : `brakes with ${percent} %`;
}

/** Space works the set key and P the power switch, unless something is being typed or worked by keyboard. */
function useWindowKeys(on: { press: () => void; release: () => void; power: () => void }): void {
  const down = useEffectEvent((event: KeyboardEvent) => {
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || isBusy(event.target)) return;
    if (event.key === ' ') {
      event.preventDefault();
      on.press();
    } else if (event.key.toLowerCase() === 'p') on.power();
  });
  const up = useEffectEvent((event: KeyboardEvent) => {
    if (event.key === ' ') on.release();
  });
  useEffect(() => {
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
    };
  }, []);
}

function isBusy(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  return (
    target.closest('input:not([type=range]), select, textarea, a, summary, button:not([data-esc-key])') !==
    null
  );
}
