import { TONE_WORDS } from '#core/procedure/soundWords';
import { Volume2, VolumeX } from 'lucide-react';
import { usePreferences } from '../preferences/usePreferences';
import { ToneStrip } from './ToneStrip';
import type { Display } from './useSimulatedEsc';

interface Props {
  display: Display;
  on: boolean;
  /** Whether the ESC has a lamp of its own. */
  hasLamp: boolean;
}

/** What the ESC shows and sounds: the lamp with its pattern drawn, and the last sound in words and drawn. */
export function EscDisplay({ display, on, hasLamp }: Props) {
  return (
    <div className="grid gap-2" role="status" aria-label="Lamp and sound of the simulated ESC">
      {hasLamp && <Lamp display={display} on={on} />}
      <Sound display={display} on={on} />
    </div>
  );
}

function Lamp({ display, on }: Omit<Props, 'hasLamp'>) {
  const { lamp, serial } = display;
  return (
    <p className="flex min-h-10 flex-wrap items-center gap-3">
      <span className="w-14 text-sm text-muted">lamp</span>
      {on && lamp?.type === 'count' && (
        <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <Flashes key={serial} count={lamp.count} />
          <span>
            {lamp.lamp}, {lamp.count === 1 ? 'one flash' : `${lamp.count} flashes`}
          </span>
        </span>
      )}
      {on && lamp?.type === 'lamp' && (
        <span className="flex items-center gap-3">
          <Bulb lit={lamp.pattern !== 'off'} blinking={lamp.pattern === 'blinking'} />
          {lamp.lamp}, {lamp.pattern}
        </span>
      )}
      {(!on || !lamp) && (
        <span className="flex items-center gap-3">
          <Bulb lit={false} blinking={false} />
          off
        </span>
      )}
    </p>
  );
}

function Sound({ display, on }: Omit<Props, 'hasLamp'>) {
  const { heard, serial } = display;
  const Icon = usePreferences().sound ? Volume2 : VolumeX;
  return (
    <p className="flex min-h-10 items-center gap-3">
      <span className="w-14 shrink-0 text-sm text-muted">sound</span>
      {heard && on ? (
        <>
          <Icon className="size-5 shrink-0" aria-hidden="true" />
          <ToneStrip key={serial} beeps={heard.beeps} />
          {heard.cue.type === 'tone' && <span className="text-sm">{TONE_WORDS[heard.cue.tone]}</span>}
          {heard.cue.type === 'count' && (
            <span className="text-sm">{heard.cue.count === 1 ? 'one beep' : `${heard.cue.count} beeps`}</span>
          )}
        </>
      ) : (
        'silent'
      )}
    </p>
  );
}

/** A count as pulses on a strip, in groups of five. */
function Flashes({ count }: { count: number }) {
  return (
    <span className="flex flex-wrap gap-1" aria-hidden="true">
      {Array.from({ length: count }, (_, n) => (
        <span key={n} className={`h-6 w-3 rounded-xs bg-ink ${n % 5 === 4 ? 'mr-2' : ''}`} />
      ))}
    </span>
  );
}

const Bulb = ({ lit, blinking }: { lit: boolean; blinking: boolean }) => (
  <span
    className={`size-6 rounded-full border-2 border-ink ${lit ? 'bg-ink' : ''} ${blinking ? 'animate-pulse motion-reduce:animate-none motion-reduce:border-dashed' : ''}`}
  />
);
