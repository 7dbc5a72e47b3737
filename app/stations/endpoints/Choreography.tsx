import type { EscProfile } from '#core/esc/profile';
import { choreographyMs, choreographyOf, type Beat } from '#core/plan/choreography';
import type { Gesture } from '#core/plan/gestures';
import { instructionFor, shortLine } from '#core/plan/instruction';
import { soundOf } from '#core/procedure/sound';
import type { ThrottleChannel } from '#core/radio/pulse';
import { formatNumber } from '#core/units/format';
import { Play, Square, Volume2 } from 'lucide-react';
import { playBeeps } from '../../simulated/sound';
import { Button } from '../../ui/Button';
import { usePlayer } from './usePlayer';

interface Props {
  profile: EscProfile;
  channel: ThrottleChannel;
  gestures: Gesture[];
}

/** The whole calibration before it begins: every move with its time and its sound, and played once to look on. */
export function Choreography({ profile, channel, gestures }: Props) {
  const beats = choreographyOf(gestures);
  const player = usePlayer(beats);
  const now = player.place === undefined ? undefined : beats[player.place];
  return (
    <section aria-labelledby="whole" className="rounded-sm border border-rule bg-sheet p-4">
      <h2 id="whole" className="flex items-baseline justify-between text-xl">
        All steps
        <span className="text-base font-normal text-muted">
          {formatNumber(choreographyMs(beats) / 1000, 0)} s
        </span>
      </h2>
      <ol className="mt-2">
        {beats.map((beat, place) => (
          <BeatLine
            key={place}
            beat={beat}
            current={beat === now}
            words={shortLine(profile, channel, beat.gesture)}
          />
        ))}
      </ol>
      <Button className="mt-3" onClick={() => (player.playing ? player.stop() : player.play())}>
        {player.playing ? (
          <Square className="size-5" aria-hidden="true" />
        ) : (
          <Play className="size-5" aria-hidden="true" />
        )}
        {player.playing ? 'Stop' : 'Play it once to watch'}
      </Button>
      <p className="mt-2 min-h-14" aria-live="polite">
        {player.countIn !== undefined && (
          <span className="font-display text-2xl font-bold">{player.countIn} …</span>
        )}
        {now && instructionFor(profile, channel, now.gesture).detail}
      </p>
    </section>
  );
}

function BeatLine({ beat, current, words }: { beat: Beat; current: boolean; words: string }) {
  const beeps = beat.gesture.observed.flatMap(soundOf);
  return (
    <li
      aria-current={current ? 'step' : undefined}
      className="grid grid-cols-[3rem_1fr_auto] items-center gap-2 border-t border-rule py-1 first:border-0 aria-[current=step]:bg-draft aria-[current=step]:text-on-draft"
    >
      <span className="pl-1 text-sm tabular-nums">{formatNumber(beat.atMs / 1000, 0)} s</span>
      <span>{words}</span>
      {beeps.length > 0 && (
        <Button
          look="quiet"
          className="min-h-9 min-w-9"
          onClick={() => playBeeps(beeps)}
          aria-label={`Hear it first: ${words}`}
        >
          <Volume2 className="size-5" aria-hidden="true" />
        </Button>
      )}
    </li>
  );
}
