/** What a slip would have done to the real model: a verdict or a drill's number, where there is one. */
import { previewOf } from '../advice/preview';
import type { Situation } from '../advice/verdicts/verdict';
import { itemById } from '../esc/profile';
import { deadbandOf } from '../physics/escChain';
import { travelReport } from '../radio/travel';
import { percentOf, withUnit } from '../units/format';
import type { Slip } from './judge';

/** In a sentence or two; undefined where no drill and no verdict tells a difference. */
export function effectOf(
  situation: Situation,
  { changes, range }: Pick<Slip, 'changes' | 'range'>,
): string | undefined {
  if (range) return travelInWords({ ...situation, range: range.after });
  const [first] = changes;
  if (!first) return undefined;
  const before = { ...situation.stops };
  const moves: Record<string, string> = {};
  for (const { itemId, fromStopId, toStopId } of changes) {
    before[itemId] = fromStopId;
    moves[itemId] = toStopId;
  }
  const { setting } = itemById(situation.profile, first.itemId);
  const { raised, changed } = previewOf({ ...situation, stops: before }, setting, moves);
  const [worst] = raised.toSorted((a, b) => GRAVITY[b.grade] - GRAVITY[a.grade]);
  const [number] = changed;
  const said = [
    ...(worst ? [worst.title] : []),
    ...(number ? [`Predicted: ${number.before.name} ${shown(number.before)} → ${shown(number.after)}.`] : []),
  ];
  return said.length > 0 ? said.join(' ') : undefined;
}

const GRAVITY = { hazard: 2, caution: 1, note: 0 } as const;

const shown = ({
  value,
  unit,
  decimals,
}: {
  value: number | undefined;
  unit: string;
  decimals: number;
}): string => (value === undefined ? 'never' : withUnit(value, unit, decimals));

/** Less than this of a trigger nobody feels, share of its travel. */
const FELT_SHARE = 0.01;

function travelInWords({ rig, profile, stops, range }: Situation): string | undefined {
  const { forward, brake, neutralInsideDeadband } = travelReport(
    rig.channel,
    range,
    deadbandOf(profile, stops),
  );
  const said = [
    ...(neutralInsideDeadband ? [] : ['At rest the ESC would not see neutral: it does not arm, or creeps.']),
    ...(forward.largestSignal < 1 - FELT_SHARE
      ? [`Full throttle would give ${percentOf(forward.largestSignal)}.`]
      : []),
    ...(forward.clippedShare > FELT_SHARE
      ? [`The last ${percentOf(forward.clippedShare)} of the throttle would do nothing.`]
      : []),
    ...(brake && brake.largestSignal < 1 - FELT_SHARE
      ? [`Full brake would give ${percentOf(brake.largestSignal)}.`]
      : []),
    ...(brake && brake.clippedShare > FELT_SHARE
      ? [`The last ${percentOf(brake.clippedShare)} of the brake would do nothing.`]
      : []),
  ];
  return said.length > 0 ? said.join(' ') : undefined;
}
