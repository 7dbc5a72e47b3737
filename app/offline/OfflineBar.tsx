import { roughSpan } from '#core/units/format';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { waitingDays } from '../stations/days/waitingDay';
import { useWaitingRuns } from '../stations/runs/WaitingRuns';
import { momentHere } from './momentHere';
import { useYou } from '../ui/useYou';
import { useBenchHealth } from './useBenchHealth';
import { useKeeping } from './useKeeping';

const CLOSED = 'live-tune-untrusted-closed';
/** The bench says its time by the second, and takes a moment for it. */
const CLOCKS_DIFFER_MINUTES = 2;
const LOOK_EVERY_MS = 4000;
const BAR = 'border-b px-5 py-2 text-sm print:hidden';

/** Above every page of a phone: whether the bench answers, from when the page is otherwise, and what waits to be sent. */
export function OfflineBar({ build, at }: { build: string; at: string }) {
  const { isPaired } = useYou();
  const { isAway, clockAheadMinutes } = useBenchHealth(at, isPaired);
  const keeping = useKeeping(build, isPaired);
  const { waiting } = useWaitingRuns();
  const days = useWaitingDays();
  if (isAway)
    return (
      <div role="status" className={`${BAR} border-caution bg-caution-wash`}>
        <strong>The bench does not answer.</strong> You see it as it was at {momentHere(at)}.{' '}
        {waiting.length > 0 && `${notes(waiting.length)} on this device until it does. `}
        {keeping !== 'untrusted' && (
          <a href="/kept" className="underline underline-offset-4">
            What this phone has kept
          </a>
        )}
      </div>
    );
  if (days.length > 0)
    return (
      <div role="status" className={`${BAR} border-caution bg-caution-wash`}>
        Changes to a day wait on this device.{' '}
        <Link to={`/days/${days[0]}`} className="underline underline-offset-4">
          Open it to send them
        </Link>
      </div>
    );
  if (Math.abs(clockAheadMinutes) >= CLOCKS_DIFFER_MINUTES)
    return <WrongClock aheadMinutes={clockAheadMinutes} />;
  return keeping === 'untrusted' ? <Untrusted /> : null;
}

const notes = (count: number): string => (count === 1 ? 'One run waits' : `${count} runs wait`);

/** The days with changes that wait and whose page is not open. */
function useWaitingDays(): string[] {
  const [ids, setIds] = useState<string[]>([]);
  useEffect(() => {
    const look = (): void => {
      const open = /^\/days\/([^/]+)/.exec(window.location.pathname)?.[1];
      const next = waitingDays.ids().filter((id) => id !== open);
      setIds((before) => (before.join() === next.join() ? before : next));
    };
    const first = setTimeout(look, 0);
    const again = setInterval(look, LOOK_EVERY_MS);
    return () => {
      clearTimeout(first);
      clearInterval(again);
    };
  }, []);
  return ids;
}

/**
 * Nobody here knows which of the two is wrong. A bench that is set back would have its last loads in the future, and its next runs
 * before them.
 */
const WrongClock = ({ aheadMinutes }: { aheadMinutes: number }) => (
  <div role="status" className={`${BAR} border-caution bg-caution-wash`}>
    <strong>
      This phone’s clock is {roughSpan(Math.abs(aheadMinutes))} {aheadMinutes > 0 ? 'ahead of' : 'behind'} the
      bench’s.
    </strong>{' '}
    If the phone is wrong, set it right: the plan of a day goes by it. If the bench is wrong, leave it until
    the day is over. Runs are dated by its clock, to fit what was loaded.
  </div>
);

/** What is missing without trust, until it is closed. */
function Untrusted() {
  const [isClosed, setClosed] = useState(() => localStorage.getItem(CLOSED) !== null);
  if (isClosed) return null;
  const close = (): void => {
    localStorage.setItem(CLOSED, '');
    setClosed(true);
  };
  return (
    <aside className={`${BAR} border-rule bg-sheet`}>
      This phone does not trust the bench yet. It keeps no pages, and the browser may refuse microphone and
      camera.{' '}
      <a href="/trust" className="underline underline-offset-4">
        Make it trust the bench
      </a>{' '}
      <button type="button" onClick={close} className="min-h-8 underline underline-offset-4">
        Not now
      </button>
    </aside>
  );
}
