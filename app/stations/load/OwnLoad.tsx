import type { HandMedium } from '#core/esc/media';
import { isByHand } from '#core/esc/media';
import type { OpenLoad } from '#server/repositories/openLoads';
import { useEffect, useEffectEvent, useState } from 'react';
import { useRevalidator } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useBench } from '../bench/BenchContext';
import type { Beginning } from './BeforeLoad';
import { Ended } from './Ended';
import { OwnDeck } from './OwnDeck';
import { sendOwnLoad } from './sendOwnLoad';

const TRY_AGAIN_MS = 2000;

/** What a load of one's own ESC is begun with at this page. */
export interface OwnBeginning extends Pick<Beginning, 'precaution' | 'after' | 'alongside'> {
  medium: HandMedium;
  intents: Readonly<Record<string, string>>;
}

interface Props {
  id: string;
  /** As the server has it; undefined before it was begun, and when it is over. */
  openNow: OpenLoad | undefined;
  /** Undefined where it was begun elsewhere, and is joined. */
  beginning: OwnBeginning | undefined;
  onNext: () => void;
}

/** A load of one's own ESC that other devices see: begun here, or joined. */
export function OwnLoad({ id, openNow, beginning, onNext }: Props) {
  const { profile } = useBench();
  const [menu] = useState({ id: profile.id, revision: profile.revision });
  // Once its sheet is kept the server lets go of it; what it came to is shown until the page is left.
  const [shown, show] = useState(openNow);
  if (openNow && openNow !== shown) show(openNow);
  const trouble = useBeginning(id, openNow === undefined && shown === undefined ? beginning : undefined);
  const open = openNow ?? shown;
  // What was said is about the menu of before.
  if (profile.id !== menu.id || profile.revision !== menu.revision)
    return (
      <div className="max-w-4xl px-5 py-6">
        <Ended />
      </div>
    );
  const medium = open && profile.media.find(({ family }) => family === open.beginning.family);
  if (!open || !medium || !isByHand(medium))
    return (
      <div className="max-w-4xl px-5 py-6" role="status">
        {trouble ? (
          <Notice
            grade="caution"
            title={
              trouble === 'away'
                ? 'The server does not answer. The load begins when it is back.'
                : 'This load cannot begin: the rig has another ESC now. Reload the page.'
            }
          />
        ) : (
          <p>Beginning …</p>
        )}
      </div>
    );
  return <OwnDeck open={open} isOver={openNow === undefined} medium={medium} onNext={onNext} />;
}

/** Begins a load at the server, until it has it. @param beginning undefined where there is nothing to begin */
function useBeginning(id: string, beginning: OwnBeginning | undefined): 'away' | 'refused' | undefined {
  const { rigId, escNumber } = useBench();
  const { revalidate } = useRevalidator();
  const [trouble, setTrouble] = useState<'away' | 'refused'>();
  const begin = useEffectEvent(async (): Promise<boolean> => {
    if (!beginning) return true;
    const { medium, precaution, intents, after, alongside } = beginning;
    const said = await sendOwnLoad(rigId, {
      do: 'begin',
      escNumber,
      id,
      family: medium.family,
      precaution,
      intents: { ...intents },
      after: { ...after },
      alongside: [...alongside],
    });
    setTrouble(said === 'away' || said === 'refused' ? said : undefined);
    if (said !== 'away') await revalidate();
    return said !== 'away';
  });
  const isDue = beginning !== undefined;
  useEffect(() => {
    if (!isDue) return undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    let isLeft = false;
    const attempt = async (): Promise<void> => {
      if (!(await begin()) && !isLeft) again = setTimeout(() => void attempt(), TRY_AGAIN_MS);
    };
    void attempt();
    return () => {
      isLeft = true;
      clearTimeout(again);
    };
  }, [isDue]);
  return trouble;
}

/** Said before a load where one of the same ESC is under way. */
export function UnderWay({ open, onJoin }: { open: OpenLoad; onJoin: () => void }) {
  const { rigId } = useBench();
  const { revalidate } = useRevalidator();
  const { id, escNumber, doer, isMine, words } = open;
  const end = async (): Promise<void> => {
    await sendOwnLoad(rigId, { do: 'end', escNumber, id });
    await revalidate();
  };
  return (
    <div className="max-w-4xl px-5 pt-6">
      <Notice
        grade="note"
        title={`A load of your own ESC is under way${isMine ? ', begun here' : ` at ${doer}`}.`}
      >
        <p>
          {words.length === 0
            ? 'Nothing is ticked yet.'
            : `${words.length} ${words.length === 1 ? 'step is' : 'steps are'} ticked.`}{' '}
          What was stored stays known, also if you end it. Beginning another load ends it, too.
        </p>
        <p className="mt-3 flex flex-wrap gap-3">
          <Button look="main" onClick={onJoin}>
            {isMine ? 'Go on with it' : 'Follow it here'}
          </Button>
          <Button onClick={() => void end()}>End it</Button>
        </p>
      </Notice>
    </div>
  );
}
