import { stateOf } from '#core/procedure/step';
import type { HandMedium } from '#core/esc/media';
import { legsLeft } from '#core/plan/loadSession';
import type { OpenLoad } from '#server/repositories/openLoads';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import { Ended } from './Ended';
import { LoadDeck } from './LoadDeck';
import { OwnEscPanel } from './OwnEscPanel';
import { useOwnLoad } from './useOwnLoad';

interface Props {
  open: OpenLoad;
  /** Whether the server has let go of it. */
  isOver: boolean;
  medium: HandMedium;
  onNext: () => void;
}

/**
 * A load on the user's own ESC: the guide goes on when the user, or the ear, says that a step was answered. One device works it; on
 * the others it can be followed, and taken over.
 */
export function OwnDeck({ open, isOver, medium, onNext }: Props) {
  const { profile } = useBench();
  const { load, say, take, trouble, lost, isTelling } = useOwnLoad(open);
  const { esc, progress } = load;
  const { precaution, after } = open.beginning;
  const isBroken = lost === 'gone' || (isOver && legsLeft(profile, progress.session).length > 0);
  return (
    <LoadDeck
      medium={medium}
      precaution={precaution}
      where="own"
      after={after}
      onNext={onNext}
      loadId={open.id}
      load={{
        ...progress,
        trouble,
        isTelling,
        onCounted: (_esc, itemId, flashes) => say({ say: 'counted', itemId, flashes }),
      }}
      esc={esc}
      resting={esc.config}
      counts={open.isMine}
      beside={({ due, itemId }) => (
        <>
          {isBroken && <Ended />}
          {lost && !isBroken && <Overtaken by={open.doer} />}
          {open.isMine ? (
            <OwnEscPanel
              profile={profile}
              family={medium.family}
              due={due}
              itemId={itemId}
              isShowing={stateOf(esc.machine, esc.config).role === 'showingStored'}
              onDone={() => due && say({ say: 'done', inputs: due.inputs })}
              onShows={(stop) => itemId !== undefined && say({ say: 'shows', itemId, stopId: stop.id })}
              onLost={(lostItemId) => say({ say: 'lost', itemId: lostItemId ?? null })}
            />
          ) : (
            <OtherWorks doer={open.doer} lastBy={open.words.at(-1)?.by} onTake={() => void take()} />
          )}
        </>
      )}
    />
  );
}

/** Beside a load that another device works. */
function OtherWorks({
  doer,
  lastBy,
  onTake,
}: {
  doer: string;
  /** Who ticked last; undefined where nobody has. */
  lastBy: string | undefined;
  onTake: () => void;
}) {
  return (
    <section aria-labelledby="doer" className="rounded-sm border border-ink bg-sheet p-4">
      <h2 id="doer" className="text-lg first-letter:uppercase wrap-anywhere">
        {doer} works this load
      </h2>
      <p className="mt-1">
        You see each step as it is ticked there. Agree on who ticks before you take over.
      </p>
      {lastBy !== undefined && <p className="mt-1 text-muted wrap-anywhere">Last tick: {lastBy}</p>}
      <Button className="mt-3 min-h-14 w-full" onClick={onTake}>
        Take over: tick here
      </Button>
    </section>
  );
}

/** Said where something was ticked here while another device went on. */
function Overtaken({ by }: { by: string }) {
  return (
    <div role="alert">
      <Notice grade="caution" title={`${by} went on meanwhile.`}>
        <p>Your last tick was not taken. Compare the ESC with the step shown here.</p>
      </Notice>
    </div>
  );
}
