import type { SimulatedEsc } from '#core/device/simulatedEsc';
import { MEDIA, type HandMedium } from '#core/esc/media';
import { itemById, profileOn, type WantedStops } from '#core/esc/profile';
import {
  afterAstray,
  afterCounted,
  afterShown,
  afterStored,
  beginLoad,
  type Finding,
} from '#core/plan/loadSession';
import { NOTHING_SEEN, shownStored, watch } from '#core/plan/watch';
import type { Config, Observed } from '#core/procedure/language';
import { heldStops } from '#core/sheet/evidence';
import { countInWords } from '#core/units/format';
import { useRef, useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { useTellServer } from './useTellServer';

/**
 * How far a load is, by what was seen and counted, and what the server was told of it.
 * @param seesDisplay whether the page sees what the ESC shows; of one beside it, it only knows what it believes
 * @param alongside other ESCs of the model to which the same happens
 */
export function useLoad(
  medium: HandMedium,
  intents: WantedStops,
  { seesDisplay, alongside }: { seesDisplay: boolean; alongside: readonly number[] },
) {
  const { profile, holdings } = useBench();
  const [session, setSession] = useState(() => {
    const uncounted = profile.items.filter((item) => holdings[item.id]?.basis === 'seenStored');
    return beginLoad(
      heldStops(profile, holdings),
      intents,
      uncounted.map((item) => item.id),
      MEDIA[medium.family].showsStored,
    );
  });
  const [surprise, setSurprise] = useState<string>();
  const server = useTellServer(alongside);
  const watched = useRef(NOTHING_SEEN);

  const tell = (esc: SimulatedEsc, seen: Finding[]): void => server.tell(seen, esc.config.memory);

  const onObserved = (observed: Observed[], esc: SimulatedEsc, before: Config): void => {
    const seen = watch(profileOn(profile, before.memory.stops), watched.current, observed);
    watched.current = seen.watched;
    const shown = seesDisplay ? shownStored(profile, esc.machine, esc.config) : undefined;
    const now = shown ? afterShown(session, shown) : session;
    setSession(now);
    if (seen.stored.length === 0) return;
    const { session: next, findings } = afterStored(profile, now, seen.stored);
    // A bank that is chosen on the way is meant, too.
    const astray = seen.stored.find(
      ({ itemId, stopId }) => session.target[itemId] !== stopId && profile.banks?.itemId !== itemId,
    );
    setSurprise(
      astray &&
        `“${itemById(profile, astray.itemId).label}” was set to something else. The plan corrects it.`,
    );
    setSession(next);
    tell(esc, findings);
  };

  const onCounted = (esc: SimulatedEsc, itemId: string, flashes: number): void => {
    const answer = afterCounted(profile, session, itemId, flashes);
    if (!answer) return;
    const { label } = itemById(profile, itemId);
    const right = answer.finding.stopId === session.target[itemId];
    setSurprise(
      right
        ? undefined
        : `“${label}” shows ${countInWords(flashes)}, not the drafted value. It is stored again.`,
    );
    setSession(answer.session);
    tell(esc, [answer.finding]);
  };

  /** The ESC shows on opening what an item holds: it was believed to be something else, or unknown. */
  const onShown = (esc: SimulatedEsc, itemId: string, stopId: string): void => {
    setSurprise(undefined);
    setSession({ ...session, held: { ...session.held, [itemId]: stopId } });
    tell(esc, [{ itemId, stopId, basis: 'userWord' }]);
  };

  /** After it was lost where the ESC is. @param itemId what may have been stored without anybody knowing what */
  const onLost = (esc: SimulatedEsc, itemId: string | undefined): void => {
    watched.current = NOTHING_SEEN;
    if (itemId === undefined) {
      setSurprise('Start this value again. Everything stored before stays stored.');
      return;
    }
    const { session: next, finding } = afterAstray(session, itemId);
    const { label } = itemById(profile, itemId);
    const outcome =
      session.target[itemId] === undefined ? 'It was unknown before, too.' : 'The plan corrects it.';
    setSurprise(`“${label}” is unknown now. ${outcome}`);
    setSession(next);
    tell(esc, [finding]);
  };

  const { trouble, isTelling } = server;
  return { session, surprise, trouble, isTelling, onObserved, onCounted, onShown, onLost };
}
