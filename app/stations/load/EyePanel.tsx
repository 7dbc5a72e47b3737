import type { SeenGroup } from '#core/eye/eye';
import { isAnsweredByFlashes, isRepeated, judgeFlashes, type JudgedFlashes } from '#core/eye/judge';
import type { EscProfile } from '#core/esc/profile';
import type { Gesture } from '#core/plan/gestures';
import { Camera, CameraOff } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { LOOKED_AT, useEye } from './useEye';

interface Props {
  profile: EscProfile;
  /** The step whose answer is looked for. */
  due: Gesture | undefined;
  onAnswered: () => void;
}

/** `before`: flashed before the step was due. `again`: maybe the answer of the step before, flashed once more. */
type Said = JudgedFlashes['kind'] | 'before' | 'again';

interface Seen {
  said: Said;
  words: string;
  group: SeenGroup;
}

/** Watches the lamp of the ESC: says how often it flashed, and goes on when that was the answer to the step. */
export function EyePanel({ profile, due, onAnswered }: Props) {
  const [last, setLast] = useState<Seen>();
  const ticked = useRef<SeenGroup>(undefined);
  const dueSince = useRef(0);
  useEffect(() => {
    dueSince.current = performance.now();
  }, [due]);
  const { video, looking, steadiness, start, stop } = useEye((group) => {
    const { kind, words } = judgeFlashes(profile, due?.observed ?? [], group.count);
    const said: Said =
      kind !== 'answer'
        ? kind
        : group.fromMs < dueSince.current
          ? 'before'
          : isRepeated(ticked.current, group)
            ? 'again'
            : 'answer';
    setLast({ said, words, group });
    if (said !== 'answer') return;
    ticked.current = group;
    onAnswered();
  });
  const isDark = due !== undefined && !isAnsweredByFlashes(due.observed);
  return (
    <div className="mt-4 border-t border-rule pt-3" data-testid="eye">
      {looking === 'on' ? (
        <Button look="quiet" onClick={stop}>
          <CameraOff className="size-5" aria-hidden="true" /> Stop watching
        </Button>
      ) : (
        <Button look="quiet" disabled={looking === 'asking'} onClick={() => void start()}>
          <Camera className="size-5" aria-hidden="true" /> Watch its lamp
        </Button>
      )}
      {looking === 'off' && (
        <p className="text-sm text-muted">Uses the camera. No picture is kept or sent.</p>
      )}
      {looking === 'refused' && (
        <p className="text-sm text-caution" role="alert">
          The browser allows no camera. Count the flashes yourself, and press the space bar.
        </p>
      )}
      <div className={`relative mt-2 w-56 ${looking === 'on' ? '' : 'hidden'}`}>
        <video ref={video} muted playsInline className="aspect-square w-full rounded-sm object-cover" />
        <div
          aria-hidden="true"
          className="absolute inset-0 m-auto aspect-square border-2 border-draft"
          style={{ width: `${LOOKED_AT * 100}%` }}
        />
      </div>
      {looking === 'on' && (
        <div className="mt-2">
          <p className="text-sm text-muted">
            {steadiness === 'steady'
              ? 'Steady. It counts.'
              : 'The picture moves. Rest the phone, a hand’s width from the lamp, with the lamp in the square.'}
          </p>
          <p aria-live="polite" className="mt-1 font-bold">
            {last && inWords(last)}
          </p>
          {isDark && (
            <p className="mt-1 text-sm text-muted">
              This step has no flashes to count. Press the space bar when it is done.
            </p>
          )}
        </div>
      )}
    </div>
  );
}

function inWords({ said, words, group }: Seen): string {
  const flashes = `${group.count === 1 ? 'one flash' : `${group.count} flashes`}, ${group.colour}`;
  switch (said) {
    case 'answer':
    case 'underway':
      return `Seen: ${flashes}. That is ${words}.`;
    case 'again':
      return `Seen: ${flashes}, as before. Is it the answer? Then press the space bar.`;
    case 'before':
      return `Seen: ${flashes}, begun before this step.`;
    case 'other':
      return `Seen: ${flashes}. That is not what this step waits for.`;
  }
}
