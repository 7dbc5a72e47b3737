import { CHARGING_CAUTIONS } from '#core/packs/charging';
import { Notice } from '../../ui/Notice';

/** What is always said where a pack is charged. */
export const ChargingCautions = () => (
  <Notice grade="caution" title="Charging">
    <ul className="list-disc pl-5">
      {CHARGING_CAUTIONS.map((words) => (
        <li key={words}>{words}</li>
      ))}
    </ul>
  </Notice>
);

/** The same beside a button between two heats. */
export const ChargingLine = () => (
  <p className="mb-2 text-caution">
    Right chemistry and cells, no faster than it allows, never alone, not puffed, not warm. Club rules come
    first.
  </p>
);
