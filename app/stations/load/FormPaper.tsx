import type { ProgramFormMedium } from '#core/esc/media';
import { itemById, labelIn, stopById } from '#core/esc/profile';
import { formTasks } from '#core/plan/formLoad';
import { handStep } from '#core/plan/handStep';
import { ACCEPTANCE, PRECAUTIONS } from '#core/rig/safety';
import { PrintBar } from '../../ui/PrintBar';
import { useBench } from '../bench/BenchContext';
import { ByHand } from './paperParts';
import { useArrangedLoad } from './useLoadOrder';

/** What to set in another program, page by page, and a place to write down what it shows then. */
export function FormPaper({ medium }: { medium: ProgramFormMedium }) {
  const { rigId, rig, profile, changes } = useBench();
  const load = useArrangedLoad(medium.family);
  return (
    <article className="max-w-3xl px-5 py-6 print:max-w-none print:p-0">
      <PrintBar back={[`/rigs/${rigId}/load`, 'Back to Load']} />
      <h1 className="mt-5 text-3xl print:mt-0">
        {rig.name}: into the {profile.name}
      </h1>
      <section className="mt-3 border-2 border-ink p-3">
        <h2 className="text-xl">First make it safe</h2>
        <p>{PRECAUTIONS[rig.vehicle.kind].join(' Or: ')}</p>
        <p className="mt-1">Keep hands, hair and cables clear. Transmitter on first, throttle at rest.</p>
        <p className="mt-1">{medium.plug} Read the form from the ESC before you change anything.</p>
      </section>
      <ByHand steps={load.before.map(handStep)} isCard={false} />
      {formTasks(profile, medium, changes).map((page) => (
        <section key={page.title} className="mt-3 break-inside-avoid">
          <h2 className="border-b border-ink text-xl">{page.title}</h2>
          <table className="w-full">
            <thead>
              <tr className="text-left text-sm">
                <th className="font-normal">set</th>
                <th className="font-normal">from</th>
                <th className="font-normal">to</th>
                <th className="w-40 font-normal">shows after reading</th>
              </tr>
            </thead>
            <tbody>
              {page.changes.map(({ itemId, fromStopId, toStopId }) => {
                const item = itemById(profile, itemId);
                return (
                  <tr key={itemId} className="border-b border-rule">
                    <td className="py-1">☐ {labelIn(profile, item)}</td>
                    <td className="pr-4">
                      {fromStopId === null ? 'unknown' : stopById(item, fromStopId).label}
                    </td>
                    <td className="pr-4 font-bold">{stopById(item, toStopId).label}</td>
                    <td />
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
      ))}
      <ByHand steps={load.after.map(handStep)} isCard={false} />
      <section className="mt-3 break-inside-avoid border-t-2 border-ink pt-2">
        <h2 className="text-xl">Last</h2>
        <ul>
          {[
            `Press “${medium.sendName}”, and wait until it says that it is done.`,
            `Press “${medium.readName}”, and write down what the form shows.`,
            ...ACCEPTANCE[rig.vehicle.kind],
          ].map((line) => (
            <li key={line} className="py-0.5">
              ☐ {line}
            </li>
          ))}
        </ul>
        <p className="mt-2">
          If anything differs: switch it off, stop, and note the step. Club rules, event rules and local law
          come first.
        </p>
      </section>
    </article>
  );
}
