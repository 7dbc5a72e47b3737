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
