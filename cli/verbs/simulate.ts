import { DRILLS, runDrill, type DrillId } from '#core/physics/drills/runDrill';
import { escBehaviour } from '#core/physics/escChain';
import { step } from '#core/procedure/step';
import { resolveRig } from '#core/rig/resolve';
import { inWords, type Context } from '../context';
import { makePlan } from './plan';

/** Carries the plan out on a simulated ESC, and says what it holds then and how the model behaves with that. */
export function simulate(context: Context, sets: readonly string[]): { reached: boolean; output: object } {
  const { profile, rig } = context;
  const { machine, start, target, load, restart } = makePlan(context, sets);
  let config = start;
  for (const input of [...load.legs.flatMap((leg) => leg.inputs), ...restart.inputs])
    config = step(machine, config, input).config;
  const { stops, range } = config.memory;
  const reached = Object.entries(target).every(([itemId, stopId]) => stops[itemId] === stopId);
  const behaviour = escBehaviour(profile, stops, rig.channel, range, rig.pack.cells);
  const resolved = resolveRig(rig, profile);
  const names = DRILLS[rig.vehicle.kind] as Partial<Record<DrillId, string>>;
  return {
    reached,
    output: {
      state: config.state,
      reachedTarget: reached,
      holds: inWords(profile, stops),
      drills: (Object.keys(names) as DrillId[]).map((id) => ({
        drill: names[id],
        numbers: Object.fromEntries(
          runDrill(id, resolved, behaviour).numbers.map((n) => [
            `${n.name}${n.unit && `, ${n.unit}`}`,
            n.value === undefined ? null : Number(n.value.toFixed(n.decimals)),
          ]),
        ),
      })),
    },
  };
}
