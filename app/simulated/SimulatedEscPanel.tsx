import { motorCommand } from '#core/device/simulatedEsc';
import type { MotorCommand } from '#core/device/simulatedMotor';
import { calibrationKey, type HandMedium } from '#core/esc/media';
import type { EscProfile } from '#core/esc/profile';
import { keyName, keysOf } from '#core/plan/keyNames';
import type { KeyId } from '#core/procedure/language';
import { stateOf } from '#core/procedure/step';
import type { ThrottleChannel } from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';
import { Power } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { useCommands } from '../preferences/useCommands';
import { Button } from '../ui/Button';
import { TickBox } from '../ui/TickBox';
import { CardPanel } from './CardPanel';
import { EscDisplay } from './EscDisplay';
import { keepFocus, noClickAfter } from './keepFocus';
import { KeysPanel } from './KeysPanel';
import { Throttle, type ThrottleHold } from './Throttle';
import type { WorkedEsc } from './useSimulatedEsc';

interface Props {
  bench: WorkedEsc;
  channel: ThrottleChannel;
  /** Whether the model was made safe; nothing can be switched on before. */
  safe: boolean;
  /** What it is worked for; what that does not need is put away. */
  use: 'endPoints' | 'computer' | HandMedium['family'];
  /** The radio's throttle hold, where it can be tried. */
  hold?: ThrottleHold;
}

/** The simulated ESC to work with mouse, touch or keyboard: keys, power switch, throttle, card, lamp and sound. */
export function SimulatedEscPanel({ bench, channel, safe, use, hold }: Props) {
  const { esc, display, input } = bench;
  const { profile, machine, config } = esc;
  const { role, keyDown } = stateOf(machine, config);
  const on = role !== 'off';
  const medium = profile.media.find((m): m is HandMedium => m.family === use);
  const mainKey = use === 'computer' ? undefined : mainKeyOf(profile, medium);
  const hasSetKey = mainKey !== undefined;
  const [held, setHeld] = useState(false);
  // A quick finger is up again before the page is drawn: what is drawn must not decide whether the key is down.
  const isDown = useRef(false);

  const switchPower = (): void => {
    if (safe) input({ type: 'power', on: !on });
  };
  const press = (): void => {
    if (!mainKey) return;
    isDown.current = true;
    setHeld(true);
    input({ type: 'down', key: mainKey.key });
  };
  const release = (): void => {
    if (!isDown.current || !mainKey) return;
    isDown.current = false;
    setHeld(false);
    input({ type: 'up', key: mainKey.key });
  };
  useCommands({
    power: switchPower,
    space: hasSetKey ? { down: press, up: release } : undefined,
  });

  return (
    <section
      aria-labelledby="simulated"
      onPointerDown={keepFocus}
      className="rounded-sm border border-ink bg-sheet p-4"
    >
      <h2 id="simulated" className="text-lg wrap-anywhere">
        Simulated {profile.name}
      </h2>
      <div className="mt-3">
        <EscDisplay display={display} on={on} hasLamp={hasSetKey && medium?.family !== 'twoKeys'} />
      </div>
      <div className="mt-3 flex flex-wrap gap-3">
        {hasSetKey && (
          <button
            type="button"
            data-esc-key
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              press();
            }}
            onPointerUp={release}
            onPointerCancel={release}
            onTouchEnd={noClickAfter}
            className={`min-h-16 min-w-28 touch-none rounded-md border-2 border-ink px-3.5 font-display text-xl font-bold select-none ${held ? 'translate-y-0.5 bg-ink text-film' : 'bg-film'}`}
          >
            {mainKey.name}
            <span className="block text-xs font-normal">hold: space bar</span>
          </button>
        )}
        <Button onClick={switchPower} disabled={!safe} className="min-h-16" aria-keyshortcuts="p">
          <Power className="size-5" aria-hidden="true" />
          Switch {on ? 'off' : 'on'}
        </Button>
        {hasSetKey && (
          <TickBox on={held} onChange={(down) => (down ? press() : release())} className="text-sm">
            keep {mainKey.name} held down
          </TickBox>
        )}
      </div>
      {!safe && <p className="mt-2 text-sm font-bold text-hazard">First choose what makes the model safe.</p>}
      {medium && partOf(bench, medium)}
      <Throttle bench={bench} channel={channel} hold={hold} />
      <p className="mt-3 border-t border-rule pt-2 text-sm text-muted">
        motor: {motorWords(motorCommand(esc))} · {on ? 'on' : 'off'}
        {keyDown ? `, ${keyName(profile, keyDown, medium)} held` : ''}
      </p>
    </section>
  );
}

/** What lies beside the ESC, or is plugged into it; nothing where the ESC’s own key and the throttle are all. */
function partOf(bench: WorkedEsc, medium: HandMedium): ReactNode {
  switch (medium.family) {
    case 'oneKey':
    case 'stickTones':
    case 'stickToggle':
      return null;
    case 'lampCard':
      return <CardPanel bench={bench} medium={medium} />;
    case 'twoKeys':
    case 'textBox':
    case 'keyPad':
    case 'transmitterMenu':
      return <KeysPanel bench={bench} medium={medium} />;
    default:
      return medium satisfies never;
  }
}

/** The key on the ESC itself that what is being done needs. */
function mainKeyOf(
  { calibration }: EscProfile,
  medium: HandMedium | undefined,
): { key: KeyId; name: string } | undefined {
  if (!medium) return calibrationKey(calibration);
  const name = keysOf(medium).set;
  return name === undefined ? undefined : { key: 'set', name };
}

const GOING: Record<MotorCommand['going'], string> = {
  neutral: 'held back by drag brake with',
  forward: 'drives with',
  brake: 'brakes with',
  reverse: 'backs up with',
};

function motorWords({ going, share }: MotorCommand): string {
  return share === 0 ? 'still' : `${GOING[going]} ${formatNumber(share * 100, 0)} %`;
}
