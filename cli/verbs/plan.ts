import { MEDIA } from '#core/esc/media';
import { handMediumOf, type StopByItem } from '#core/esc/profile';
import { factoryMemory } from '#core/device/simulatedEsc';
import { escMachine } from '#core/procedure/escMachine';
import { initialConfig } from '#core/procedure/step';
import { shortLine } from '#core/plan/instruction';
import { planLegs, planRestart, type LoadPlan, type PlannedRestart } from '#core/plan/loadPlan';
import { legsOf } from '#core/plan/throughMenus';
import { GAVE_UP, isPlanned } from '#core/plan/search';
import { legTitle } from '#core/plan/loadSession';
import { rangeOf } from '#core/radio/pulse';
import { inShortOrder } from '#core/plan/shortOrder';
import { changesInOrder, type Change } from '#core/sheet/draft';
import type { Config, Machine } from '#core/procedure/language';
import { advisedStops, wantedStops, type Context } from '../context';
import { Refused } from '../refused';

export interface Planned {
  machine: Machine;
  start: Config;
  target: StopByItem;
  load: LoadPlan;
  restart: PlannedRestart;
}

/** The presses that bring an ESC from what it holds to what is wanted: by --set, or else to what is advised. */
export function makePlan(context: Context, sets: readonly string[]): Planned {
  const { profile, rig, stops } = context;
  const medium = handMediumOf(profile);
  if (!medium) throw new Refused(`${profile.name} can only be set by link.`);
  const target = sets.length > 0 ? wantedStops(profile, sets) : advisedStops(context);
  const changes = Object.entries(target)
    .filter(([itemId, stopId]) => stops[itemId] !== stopId)
    .map(([itemId, toStopId]): Change => ({ itemId, fromStopId: stops[itemId]!, toStopId }));
  const machine = escMachine(profile);
  const stick = rangeOf(rig.channel);
  const memory = { ...factoryMemory(profile), stops, range: stick };
  const start = initialConfig(machine, memory, stick.neutralMicros);
  const inOrder = inShortOrder(profile, medium.family, changesInOrder(profile, stops, changes));
  const legs = legsOf(profile, stops, inOrder, MEDIA[medium.family].showsStored);
  const load = planLegs(machine, start, legs, stick, medium.family);
  const restart = isPlanned(load) ? planRestart(machine, load.end, stick, medium.family) : load;
  if (!isPlanned(load) || !isPlanned(restart)) {
    const gaveUp = load === 'gaveUp' || restart === 'gaveUp';
    throw new Refused(
      gaveUp ? GAVE_UP : 'Not possible with this radio: its throttle does not reach what the ESC needs.',
    );
  }
  return { machine, start, target, load, restart };
}

/** The plan in the hand's words. */
export function plan(context: Context, sets: readonly string[]): object {
  const { profile, rig, stops } = context;
  const { load, restart } = makePlan(context, sets);
  const lines = (gestures: (typeof restart)['gestures']): string[] =>
    gestures.map((gesture) => shortLine(profile, rig.channel, gesture));
  return {
    medium: handMediumOf(profile)!.family,
    from: context.stopsFrom,
    seconds: Math.round(load.seconds + restart.seconds),
    steps: [
      ...load.legs.map(({ leg, gestures }) => ({ what: legTitle(profile, stops, leg), do: lines(gestures) })),
      ...(load.legs.length > 0 ? [{ what: 'Back to driving', do: lines(restart.gestures) }] : []),
    ],
  };
}
