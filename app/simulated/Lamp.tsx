import type { ToneName } from '#core/procedure/language';
import { Volume2 } from 'lucide-react';
import type { Display } from './useSimulatedEsc';

const TONE_WORDS: Record<ToneName, string> = {
  short: 'one short beep',
  long: 'one long beep',
  rising: 'two rising notes',
  warning: 'a harsh buzz: refused',
  steady: 'steady beeps',
};

/** What the ESC shows and sounds: the lamp with its pattern drawn, and the last sound in words. */
export function Lamp({ display, on }: { display: Display; on: boolean }) {
  const { lamp, tone, serial } = display;
  return (
    <div className="grid gap-2" role="status" aria-label="Lamp and sound of the simulated ESC">
      <p className="flex min-h-10 flex-wrap items-center gap-3">
        <span className="w-14 text-sm text-muted">lamp</span>
        {lamp?.type === 'count' ? (
          <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <Flashes key={serial} count={lamp.count} />
            <span>
              {lamp.lamp}, {lamp.count === 1 ? 'one flash' : `${lamp.count} flashes`}
            </span>
          </span>
        ) : (
          <span className="flex items-center gap-3">
            <span
              className={`size-6 rounded-full border-2 border-ink ${lit(lamp?.pattern, on) ? 'bg-ink' : ''} ${lamp?.pattern === 'blinking' && on ? 'animate-pulse' : ''}`}
            />
            {on ? (lamp ? `${lamp.lamp}, ${lamp.pattern}` : 'off') : 'off'}
          </span>
        )}
      </p>
      <p className="flex min-h-7 items-center gap-3">
        <span className="w-14 text-sm text-muted">sound</span>
        {tone && on ? (
          <>
            <Volume2 className="size-5" aria-hidden="true" /> {TONE_WORDS[tone]}
          </>
        ) : (
          'silent'
        )}
      </p>
    </div>
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

const lit = (pattern: string | undefined, on: boolean): boolean =>
  on && pattern !== undefined && pattern !== 'off';
