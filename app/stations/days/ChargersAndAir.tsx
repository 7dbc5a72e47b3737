import type { Day } from '#core/days/day';
import type { ReactNode } from 'react';
import { TickBox } from '../../ui/TickBox';
import { INPUT } from '../rig/formParts';

interface Props {
  day: Pick<Day, 'chargers' | 'airCelsius'>;
  save: (part: { chargers: number } | { airCelsius: number | null }) => void;
}

const [MOST_CHARGERS, COLDEST, HOTTEST] = [12, -40, 60];

/** What every day has: how many packs charge at a time, and the air. Kept when the field is left; what cannot be is not. */
export const ChargersAndAir = ({ day, save }: Props) => (
  <>
    <label className="flex items-center gap-2">
      Chargers
      <input
        type="number"
        min={0}
        max={MOST_CHARGERS}
        defaultValue={day.chargers}
        onBlur={({ target: { valueAsNumber } }) => {
          const chargers = Math.round(valueAsNumber);
          if (chargers >= 0 && chargers <= MOST_CHARGERS && chargers !== day.chargers) save({ chargers });
        }}
        className={`${INPUT} w-20 text-right`}
      />
    </label>
    <label className="flex items-center gap-2">
      Air
      <input
        type="number"
        min={COLDEST}
        max={HOTTEST}
        defaultValue={day.airCelsius ?? ''}
        onBlur={({ target: { value, valueAsNumber } }) => {
          const airCelsius = value === '' ? null : valueAsNumber;
          const isRight = airCelsius === null || (airCelsius >= COLDEST && airCelsius <= HOTTEST);
          if (isRight && airCelsius !== day.airCelsius) save({ airCelsius });
        }}
        className={`${INPUT} w-20 text-right`}
      />
      °C
    </label>
  </>
);

interface WatchedProps {
  day: Pick<Day, 'chargersWatched'>;
  save: (part: { chargersWatched: boolean }) => void;
  /** What it means where nobody does. */
  children: ReactNode;
}

/** A pack never charges alone: whether somebody is there while the driver drives. */
export const ChargersWatched = ({ day, save, children }: WatchedProps) => (
  <TickBox
    className="mt-2"
    on={day.chargersWatched}
    onChange={(chargersWatched) => save({ chargersWatched })}
  >
    <span>Somebody stays beside the chargers while I drive. {children}</span>
  </TickBox>
);
