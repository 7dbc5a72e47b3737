import {
  MODEL_FACTS,
  stopById,
  valueOf,
  type Condition,
  type EscProfile,
  type ModelFact,
  type ProfileItem,
  type StopByItem,
} from '../esc/profile';
import { hasBrakeStage } from '../physics/triggerChain';
import type { Rig } from '../rig/rig';

/**
 * Why an item does nothing with these values on this model, in a sentence; undefined where it works.
 * What its profile says comes first; then common practice.
 */
export function inactiveReason(
  rig: Rig,
  profile: EscProfile,
  stops: StopByItem,
  item: ProfileItem,
): string | undefined {
  if (isFixed(profile, item)) return 'Its maker has fixed this bank: it cannot be set.';
  const condition = item.inactiveWhen.find((c) => holds(rig, stops, c));
  return condition ? `No effect: ${conditionWords(profile, condition)}.` : byMode(rig, profile, stops, item);
}

const isFixed = ({ banks }: EscProfile, { existsWhile }: ProfileItem): boolean =>
  existsWhile.some(
    ({ itemId, stopIds }) =>
      itemId === banks?.itemId && stopIds.every((id) => banks.fixedStopIds.includes(id)),
  );

function byMode(
  rig: Rig,
  profile: EscProfile,
  stops: StopByItem,
  { setting }: ProfileItem,
): string | undefined {
  if (setting === 'motorTemperatureLimit' && factHolds(rig, 'noMotorTemperatureSensor')) {
    return `No effect: ${MODEL_FACTS.noMotorTemperatureSensor}.`;
  }
  const mode = valueOf(profile, stops, 'runningMode');
  if (mode?.kind !== 'choice') return undefined;
  const reverses = mode.choice === 'forwardBrakeReverse' || mode.choice === 'forwardReverse';
  const ofReverse = setting === 'reversePower' || setting === 'reverseDelay' || setting === 'reverseEntry';
  if (ofReverse && !reverses) return 'No effect: this running mode has no reverse.';
  if (setting === 'brakeStrength' && !hasBrakeStage(profile, stops)) {
    return 'No effect: in this running mode drag brake does the braking.';
  }
  return undefined;
}

function holds(rig: Rig, stops: StopByItem, condition: Condition): boolean {
  return condition.kind === 'model'
    ? factHolds(rig, condition.fact)
    : condition.stopIds.includes(stops[condition.itemId] ?? '');
}

function factHolds({ motor, fan }: Rig, fact: ModelFact): boolean {
  switch (fact) {
    case 'sensorless':
      return !motor.sensored;
    case 'brushed':
      return motor.type === 'brushed';
    case 'noMotorTemperatureSensor':
      return !motor.temperatureSensor;
    case 'noFan':
      return !fan;
  }
}

/** A condition as the rest of a sentence: "Running mode is on Forward only". */
export function conditionWords(profile: EscProfile, condition: Condition): string {
  if (condition.kind === 'model') return MODEL_FACTS[condition.fact];
  const item = profile.items.find(({ id }) => id === condition.itemId);
  if (!item) return 'an item that is not in the menu now switches it off';
  const labels = condition.stopIds.map((stopId) => `“${stopById(item, stopId).label}”`);
  return `“${item.label}” is on ${labels.join(' or ')}`;
}
