import { schoolsFor, sidesTold } from '#core/advice/schools';
import type { School } from '#core/advice/disagreements';
import { escBehaviour } from '#core/physics/escChain';
import { resolveRig } from '#core/rig/resolve';
import { formatNumber } from '#core/units/format';
import type { Goals } from '#core/advice/goals';
import type { VehicleClass } from '#core/rig/vehicleClass';
import type { EscProfile } from '#core/esc/profile';
import { memo, useMemo, useState } from 'react';
import { Scrollable } from '../../ui/Scrollable';
import { Ways } from './Ways';
import { useBench } from '../bench/BenchContext';

interface Props {
  profile: EscProfile;
  cells: number;
  vehicleClass: VehicleClass;
  /** The sides that the driver has taken. */
  taken: Goals['schools'];
}

/**
 * Where practitioners disagree: the sides, what each costs here, and the driver's choice between them. A moving draft mark
 * changes only the question that is open.
 */
export const Disagreements = memo(function Disagreements({ profile, cells, vehicleClass, taken }: Props) {
  const schools = schoolsFor(profile, cells, vehicleClass);
  return (
    <section aria-labelledby="disagreements" className="mt-8">
      <h2 id="disagreements" className="border-b border-ink pb-1 text-2xl">
        Where practitioners disagree
      </h2>
      <ul>
        {schools.map((school) => (
          <li key={school.id} className="border-b border-rule">
            <Question school={school} taken={school.sides.find(({ id }) => id === taken[school.id])} />
          </li>
        ))}
        <li className="border-b border-rule">
          <Ways />
        </li>
      </ul>
    </section>
  );
});

function Question({ school, taken }: { school: School; taken: School['sides'][number] | undefined }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2">
        <span className="font-bold">{school.question}</span>
        {taken && <span className="text-draft"> You say: {taken.name}.</span>}
      </summary>
      {isOpen && <Sides school={school} />}
    </details>
  );
}

function Sides({ school }: { school: School }) {
  const { draftedRig: rig, profile, drafted, memory, goals, changeGoals, moveAll } = useBench();
  const told = useMemo(() => {
    const behave = (stops: typeof drafted) =>
      escBehaviour(profile, stops, rig.channel, memory.range, rig.pack.cells);
    return sidesTold(school, profile, resolveRig(rig, profile, goals.use), drafted, behave);
  }, [school, profile, rig, drafted, memory.range, goals.use]);
  const { [school.id]: mine, ...others } = goals.schools;
  const numbers = told[0]?.numbers ?? [];
  return (
    <>
      <Scrollable label={school.question} className="mb-2">
        <table className="w-full max-w-3xl min-w-100 text-left">
          <thead className="text-sm text-muted">
            <tr>
              <th scope="col" className="font-normal">
                side
              </th>
              {numbers.map(({ drill, number }) => (
                <th key={drill + number.id} scope="col" className="pl-3 text-right font-normal">
                  {number.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {told.map(({ side, stops, numbers: values }) => (
              <tr key={side.id} className="border-t border-rule">
                <th scope="row" className="py-1 font-normal">
                  <label className="flex min-h-11 items-center gap-2.5">
                    <input
                      type="radio"
                      autoComplete="off"
                      name={school.id}
                      checked={mine === side.id}
                      onChange={() => {
                        changeGoals({ schools: { ...others, [school.id]: side.id } });
                        moveAll(stops);
                      }}
                      className="size-5 accent-draft"
                    />
                    <span>
                      <span className="block font-bold">{side.name}</span>
                      <span className="block text-sm text-muted">{side.because}</span>
                    </span>
                  </label>
                </th>
                {values.map(({ drill, number }) => (
                  <td key={drill + number.id} className="pl-3 text-right whitespace-nowrap">
                    {number.value === undefined
                      ? 'never'
                      : `${formatNumber(number.value, number.decimals)} ${number.unit}`}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scrollable>
      <p className="mb-3 text-sm text-muted">
        Everything else stays as drafted. Choosing a side drafts its values, and the advice follows.{' '}
        {mine !== undefined && (
          <button
            type="button"
            className="min-h-8 underline underline-offset-4"
            onClick={() => changeGoals({ schools: others })}
          >
            Choose none
          </button>
        )}
      </p>
    </>
  );
}
