import { clockTime } from '#core/days/zoned';
import { Button } from '../../ui/Button';
import { TickBox } from '../../ui/TickBox';
import { useAlarms, type Alarm } from './useAlarms';

interface Props {
  alarms: readonly Alarm[];
  /** Minutes since 1970. */
  now: number;
  timeZone: string;
}

/** What is due, until somebody has seen it. */
export function AlarmBar({ alarms, now, timeZone }: Props) {
  const { due, see, hasSound, switchSound } = useAlarms(alarms, now);
  return (
    <div className="mt-2 print:hidden">
      <div role="alert" aria-label="Due">
        {due.length > 0 && (
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-2 border-draft bg-draft-wash p-3">
            <ul className="min-w-0 flex-1 text-lg font-bold">
              {due.map(({ id, at, words }) => (
                <li key={id}>
                  {clockTime(at, timeZone)} {words}
                </li>
              ))}
            </ul>
            <Button onClick={see}>Seen</Button>
          </div>
        )}
      </div>
      <TickBox on={hasSound} onChange={switchSound}>
        Sound at what is due. This page must stay open.
      </TickBox>
    </div>
  );
}
