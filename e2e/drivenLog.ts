import { readFile } from 'node:fs/promises';
import { factoryStops, type EscProfile } from '#core/esc/profile';
import { alongTrigger } from '#core/physics/drills/alongTrigger';
import { escBehaviour } from '#core/physics/escChain';
import { rangeOf } from '#core/radio/pulse';
import { resolveRig } from '#core/rig/resolve';
import { LAPS } from '#core/rig/use';
import { demoRigFile } from './rigs';

const EVERY_S = 0.1;
const LENGTH_S = 240;

/** Four minutes of the demo's buggy as a device would log them: a car that is a little heavier than it is described. */
export async function drivenLog(): Promise<string> {
  const profile = JSON.parse(await readFile('demo/tamsel-r60.esc-profile.json', 'utf8')) as EscProfile;
  const { rig } = await demoRigFile('kelp-beach-buggy');
  const resolved = resolveRig(rig, profile);
  const range = rangeOf(rig.channel);
  const esc = escBehaviour(profile, factoryStops(profile), rig.channel, range, rig.pack.cells);
  const seconds = Float64Array.from({ length: LENGTH_S / EVERY_S + 1 }, (_, n) => n * EVERY_S);
  const trigger = seconds.map((t) => triggerAt(t) / 100);
  const along = alongTrigger(
    { ...resolved, massKg: 1.15 * resolved.massKg, packOhm: 1.4 * resolved.packOhm },
    esc,
    { seconds, trigger },
    { everyS: EVERY_S, charged: 0.97, extraShare: () => 0.12 },
  );
  const rows = [...seconds].map((t, n) =>
    [
      t.toFixed(1),
      (100 * trigger[n]!).toFixed(0),
      along.packVolts[n]!.toFixed(2),
      along.amps[n]!.toFixed(1),
      along.rpm[n]!.toFixed(0),
      along.canCelsius[n]!.toFixed(0),
      along.escCelsius[n]!.toFixed(0),
    ].join(','),
  );
  return ['Time (s),Throttle (%),Voltage (V),Current (A),rpm,Motor temp (C),ESC temp (C)', ...rows].join(
    '\n',
  );
}

/** The race lap over and over, per cent. */
function triggerAt(t: number): number {
  const { pieces } = LAPS.race;
  let left = t % pieces.reduce((sum, { seconds }) => sum + seconds, 0);
  for (const { seconds, triggerPercent } of pieces) {
    if (left < seconds) return triggerPercent;
    left -= seconds;
  }
  return 0;
}
