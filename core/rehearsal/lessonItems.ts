/** Items and stops to practise on: such that nothing else moves along, and that are always in the menu. */
import { choosersOf, type EscProfile, type ProfileItem, type Stop, type StopByItem } from '../esc/profile';
import { numbersOf } from '../esc/numberField';

/** An item, and the stop to bring it to. */
export interface Exercise {
  item: ProfileItem;
  stop: Stop;
}

/**
 * What can be changed for practice, spread over the menu, so that a lesson has something to count.
 * @param held what the ESC holds
 */
export function exercisesOf(profile: EscProfile, held: StopByItem): Exercise[] {
  const choosers = choosersOf(profile);
  const all = profile.items.flatMap((item): Exercise[] => {
    const isFree =
      item.existsWhile.length === 0 &&
      !choosers.has(item.id) &&
      item.setting !== 'calibrationLock' &&
      item.setting !== 'becVolts' &&
      !isOverwritten(profile, item);
    const stop = isFree ? otherStop(item, held[item.id]!) : undefined;
    return stop ? [{ item, stop }] : [];
  });
  return spread(all);
}

const isOverwritten = ({ items }: EscProfile, item: ProfileItem): boolean =>
  item.renumbersMenu || items.some(({ overwrites }) => overwrites.some(({ sets }) => item.id in sets));

/** A stop two further on where there are enough, so that it takes a count and not one press. */
function otherStop(item: ProfileItem, heldId: string): Stop | undefined {
  const numbers = numbersOf(item);
  const usable = item.stops.filter(
    (stop) =>
      !item.commandStopIds.includes(stop.id) &&
      !numbers.includes(stop) &&
      !item.overwrites.some(({ stopId }) => stopId === stop.id),
  );
  const place = usable.findIndex(({ id }) => id === heldId);
  if (usable.length < 2 || place === -1) return undefined;
  return usable[(place + Math.min(2, usable.length - 1)) % usable.length];
}

/** Those of the middle first: the first item of a menu teaches no counting. */
function spread(exercises: Exercise[]): Exercise[] {
  const middle = Math.floor(exercises.length / 2);
  return exercises.map((_, n) => exercises[(middle + stepOf(n) + exercises.length) % exercises.length]!);
}

/** 0, 1, −1, 2, −2, … */
const stepOf = (n: number): number => (n % 2 === 1 ? (n + 1) / 2 : -n / 2);
