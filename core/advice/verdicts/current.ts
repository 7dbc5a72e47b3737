/** What the hardest pull draws, against what pack and ESC are rated for. Common practice. */
import { formatNumber } from '../../units/format';
import { drivenTo } from './driven';
import { isProven } from './proven';
import type { Judge } from './verdict';

export const peakAboveRating: Judge = (situation) => {
  const { rig, profile } = situation;
  const peak = drivenTo(rig.vehicle.kind === 'wheels' ? 'launch' : 'spoolUp', 'peakPack', situation);
  if (peak === undefined) return undefined;
  const { capacityAh, ratingC } = rig.pack;
  const ratings = [
    {
      name: `The ESC takes ${formatNumber(profile.limits.burstAmps, 0)} A`,
      amps: profile.limits.burstAmps,
      drawn: peak,
    },
    // An assumed rating accuses nobody.
    ...(ratingC.basis === 'assumed'
      ? []
      : [
          {
            name: `The pack is rated for ${formatNumber(ratingC.value * capacityAh.value, 0)} A`,
            amps: ratingC.value * capacityAh.value,
            drawn: peak * rig.motorCount,
          },
        ]),
  ];
  const exceeded = ratings.find(({ amps, drawn }) => amps > 0 && drawn > amps);
  if (!exceeded) return undefined;
  return {
    id: 'peakAboveRating',
    grade: 'caution',
    setting: undefined,
    title: 'A hard pull draws more current than the parts are rated for.',
    sentence: `${exceeded.name}. Predicted: a full pull draws ${isProven(situation) ? `${formatNumber(exceeded.drawn, 0)} A` : 'more'} for a moment. Limit the launch or gear lower. Feel plugs, pack and ESC after the first minutes.`,
    remedies: [{ kind: 'station', label: 'Check pack and gearing', station: 'rig' }],
  };
};
