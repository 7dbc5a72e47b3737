import type { TestDay } from '#core/days/day';
import type { Minute } from '#core/days/dayProblem';
import type { PackLife } from '#core/packs/shelfPack';
import { Link } from 'react-router';
import { OwnersFields } from '../../ui/OwnersOnly';
import { TickBox } from '../../ui/TickBox';
import { INPUT } from '../rig/formParts';
import { packInWords } from '../packs/packWords';
import { ChargersAndAir, ChargersWatched } from './ChargersAndAir';

interface Props {
  day: TestDay;
  packs: readonly PackLife[];
  save: (part: Partial<TestDay>) => void;
  /** Undefined for a day whose hours are no times. */
  startsAt: Minute | undefined;
}

/** What a day has: hours, packs, chargers, air. */
export function PlanResources({ day, packs, save, startsAt }: Props) {
  const takes = new Set(day.packIds);
  return (
    <section aria-label="What there is" className="mt-8 print:hidden">
      <h2 className="text-2xl">What there is</h2>
      <OwnersFields>
        <div className="mt-2 flex flex-wrap gap-x-6 gap-y-3">
          {(['startsAt', 'endsAt'] as const).map((key) => (
            <label key={key} className="flex items-center gap-2">
              {key === 'startsAt' ? 'From' : 'Until'}
              <input
                type="datetime-local"
                defaultValue={day[key]}
                aria-invalid={startsAt === undefined}
                onBlur={({ target: { value } }) => {
                  if (value !== '' && value !== day[key]) save({ [key]: value.slice(0, 16) });
                }}
                className={INPUT}
              />
            </label>
          ))}
          <ChargersAndAir day={day} save={save} />
        </div>
        <ChargersWatched day={day} save={save}>
          Without that, nothing charges during a run.
        </ChargersWatched>
        <fieldset className="mt-3">
          <legend className="font-bold">Packs that come along</legend>
          {packs.length === 0 && (
            <p>
              The shelf is empty.{' '}
              <Link to="/packs" className="underline underline-offset-4">
                Put your packs on it
              </Link>{' '}
              first.
            </p>
          )}
          {packs.map(({ pack }) => (
            <div key={pack.id} className="border-b border-rule">
              <TickBox
                on={takes.has(pack.id)}
                onChange={(on) =>
                  save({
                    packIds: on ? [...day.packIds, pack.id] : day.packIds.filter((id) => id !== pack.id),
                  })
                }
              >
                <span>
                  <strong>{pack.label}</strong> <span className="text-muted">{packInWords(pack)}</span>
                </span>
              </TickBox>
            </div>
          ))}
        </fieldset>
      </OwnersFields>
    </section>
  );
}
