/** What the hardest pull draws, against what pack and ESC are rated for. Common practice. */
import type { EscProfile } from '../../esc/profile';
import { escBehaviour, type EscBehaviour } from '../../physics/escChain';
import { DEPENDS_ON, drillNumbers } from '../../physics/drills/runDrill';
import type { Rig } from '../../rig/rig';
import { resolveRig } from '../../rig/resolve';
import { formatNumber } from '../../units/format';
import type { Judge, Situation } from './verdict';

export const peakAboveRating: Judge = (situation) => {
  const { rig, profile } = situation;
  const peak = peakAmps(situation);
  if (peak === undefined) return undefined;
  const { capacityAh, ratingC } = rig.pack;
  const ratings = [
    {
      name: `The ESC stands ${formatNumber(profile.limits.burstAmps, 0)} A`,
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
    setting: 'launchStrength',
    title: 'A hard pull draws more than the parts are rated for.',
    sentence: `${exceeded.name}; by the model a full pull draws ${formatNumber(exceeded.drawn, 0)} A for a moment. Hold the launch back, gear lower, and feel plugs, pack and ESC after the first minutes.`,
    remedies: [{ kind: 'station', label: 'Look at pack and gearing', station: 'rig' }],
  };
};

type PeakByBehaviour = Map<string, number | undefined>;

/** A pull takes milliseconds, and is asked for with every move: most moves change nothing of it. */
const known = new WeakMap<Rig, WeakMap<EscProfile, PeakByBehaviour>>();

/** Of one motor, A; undefined where the rig's numbers lead nowhere: the drill itself says so. */
function peakAmps({ rig, profile, stops, range }: Situation): number | undefined {
  const esc = escBehaviour(profile, stops, rig.channel, range, rig.pack.cells);
  const drill = rig.vehicle.kind === 'wheels' ? 'launch' : 'spoolUp';
  const peaks = peaksOf(rig, profile);
  const behaviour = JSON.stringify(DEPENDS_ON[drill].map((field) => esc[field]));
  if (!peaks.has(behaviour)) peaks.set(behaviour, computedPeak(drill, rig, profile, esc));
  return peaks.get(behaviour);
}

function peaksOf(rig: Rig, profile: EscProfile): PeakByBehaviour {
  const ofRig = known.get(rig) ?? new WeakMap<EscProfile, PeakByBehaviour>();
  known.set(rig, ofRig);
  const peaks = ofRig.get(profile) ?? new Map<string, number | undefined>();
  ofRig.set(profile, peaks);
  return peaks;
}

function computedPeak(
  drill: 'launch' | 'spoolUp',
  rig: Rig,
  profile: EscProfile,
  esc: EscBehaviour,
): number | undefined {
  return drillNumbers(drill, resolveRig(rig, profile), esc).find(({ id }) => id === 'peakPack')?.value;
}
