import { stopsToPlanFrom } from '#core/plan/loadSession';
import { stateOf } from '#core/procedure/step';
import { rangeOf } from '#core/radio/pulse';
import { useBench } from '../bench/BenchContext';
import { LoadDeck, type LoadProps } from './LoadDeck';
import { OwnEscPanel } from './OwnEscPanel';
import { useFollowedEsc } from './useFollowedEsc';
import { useLoad } from './useLoad';

/** A load on the user's own ESC: the guide goes on when the user, or the ear, says that a step was answered. */
export function OwnDeck({ intents, ...props }: LoadProps) {
  const { rig, profile, memory } = useBench();
  const load = useLoad(props.medium, intents, { seesDisplay: false, alongside: props.alongside });
  const { neutralMicros } = rangeOf(rig.channel);
  const { esc, follow, beginAgain, shows } = useFollowedEsc(profile, memory, neutralMicros, load.onObserved);
  return (
    <LoadDeck
      {...props}
      load={load}
      esc={esc}
      resting={esc.config}
      beside={({ due, itemId }) => (
        <OwnEscPanel
          profile={profile}
          family={props.medium.family}
          due={due}
          itemId={itemId}
          isShowing={stateOf(esc.machine, esc.config).role === 'showingStored'}
          onDone={() => due && follow(due.inputs, stopsToPlanFrom(profile, load.session))}
          onShows={(stop) => {
            if (itemId === undefined) return;
            const stops = { ...stopsToPlanFrom(profile, load.session), [itemId]: stop.id };
            load.onShown(shows(stop.number, stops), itemId, stop.id);
          }}
          onLost={(lostItemId) => load.onLost(beginAgain(), lostItemId)}
        />
      )}
    />
  );
}
