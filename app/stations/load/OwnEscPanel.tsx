import type { MediumFamily } from '#core/esc/media';
import { itemById, type EscProfile, type ProfileItem, type Stop } from '#core/esc/profile';
import type { Gesture } from '#core/plan/gestures';
import { useState } from 'react';
import { useCommands } from '../../preferences/useCommands';
import { keepFocus } from '../../simulated/keepFocus';
import { Button } from '../../ui/Button';
import { EarPanel } from './EarPanel';
import { EyePanel } from './EyePanel';
import { NoAnswer } from './NoAnswer';

interface Props {
  profile: EscProfile;
  /** By what it is worked. */
  family: MediumFamily;
  /** The step that is due; undefined while there is none to do with the hand. */
  due: Gesture | undefined;
  /** The item that it is about. */
  itemId: string | undefined;
  /** Whether the ESC shows what it holds of that item. */
  isShowing: boolean;
  onDone: () => void;
  /** Told the stop that it shows, where that is not the one that was believed. */
  onShows: (stop: Stop) => void;
  /** Told the item that may have been stored without anybody knowing what; undefined where none was. */
  onLost: (itemId: string | undefined) => void;
}

/** Beside the user's own ESC: one key to go on, the ear, and a way out when it does something else. */
export function OwnEscPanel({ profile, family, due, itemId, isShowing, onDone, onShows, onLost }: Props) {
  const [asking, setAsking] = useState(false);
  const next = (): void => {
    if (due && !asking) onDone();
  };
  useCommands({ space: next });
  return (
    <section
      aria-labelledby="own"
      onPointerDown={keepFocus}
      className="rounded-sm border border-ink bg-sheet p-4"
    >
      <h2 id="own" className="text-lg">
        Your own ESC
      </h2>
      {asking ? (
        <SomethingElse
          profile={profile}
          itemId={itemId}
          shown={isShowing && itemId !== undefined ? itemById(profile, itemId) : undefined}
          onShows={(stop) => {
            setAsking(false);
            onShows(stop);
          }}
          onBack={() => setAsking(false)}
          onLost={(lost) => {
            setAsking(false);
            onLost(lost);
          }}
        />
      ) : (
        <div className="mt-3 grid gap-2">
          <Button look="main" className="min-h-16 text-xl" disabled={!due} onClick={next}>
            Done, it did that
            <span className="text-xs font-normal">space bar</span>
          </Button>
          <Button look="quiet" onClick={() => setAsking(true)}>
            It did something else
          </Button>
        </div>
      )}
      <EarPanel profile={profile} due={asking ? undefined : due} onAnswered={next} />
      <EyePanel profile={profile} due={asking ? undefined : due} onAnswered={next} />
      <NoAnswer profile={profile} family={family} />
    </section>
  );
}

/** Finds out what is still known, and begins from an ESC that is switched off. */
function SomethingElse({
  profile,
  itemId,
  shown,
  onShows,
  onBack,
  onLost,
}: Pick<Props, 'profile' | 'itemId' | 'onLost' | 'onShows'> & {
  /** The item whose stop it shows now, if it does. */
  shown: ProfileItem | undefined;
  onBack: () => void;
}) {
  const [stored, setStored] = useState(itemId ?? profile.items[0]!.id);
  return (
    <div className="mt-3 grid gap-4">
      {shown && (
        <fieldset>
          <legend className="font-bold">It shows another stop of “{shown.label}”</legend>
          <div className="mt-2 flex flex-wrap gap-2">
            {shown.stops.map((stop) => (
              <Button key={stop.id} aria-label={`It shows stop ${stop.number}`} onClick={() => onShows(stop)}>
                {stop.number}
              </Button>
            ))}
          </div>
        </fieldset>
      )}
      <fieldset className="grid gap-3">
        <legend className="font-bold">
          {shown ? 'Anything else: switch' : 'Switch'} it off. Was something stored?
        </legend>
        <p className="text-sm text-muted">A long tone, a tune or a lamp going out means yes.</p>
        <Button onClick={() => onLost(undefined)}>No, nothing</Button>
        <label className="grid gap-1 border-t border-rule pt-3">
          Yes, for
          <select
            className="min-h-11 rounded-sm border border-ink bg-film px-2"
            value={stored}
            onChange={(event) => setStored(event.target.value)}
          >
            {profile.items.map((item) => (
              <option key={item.id} value={item.id}>
                {item.number} {item.label}
              </option>
            ))}
          </select>
        </label>
        <Button onClick={() => onLost(stored)}>Yes, but I do not know what</Button>
        <Button look="quiet" onClick={onBack}>
          Back: it did what it should
        </Button>
      </fieldset>
    </div>
  );
}
