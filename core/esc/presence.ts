/** Which items of an ESC are in its menu together, and what is wrong with what is said of it. */
import type { Problem } from '../units/problem';
import { VOCABULARY } from '../settings/vocabulary';
import { stopById, type EscProfile, type ProfileItem, type Stop } from './profile';

/** Whether two items are never in the menu together: they wait for different stops of one item. */
export const exclude = (a: ProfileItem, b: ProfileItem): boolean =>
  a.existsWhile.some((one) =>
    b.existsWhile.some(
      (other) => one.itemId === other.itemId && !one.stopIds.some((id) => other.stopIds.includes(id)),
    ),
  );

/** The number of an item by those before it: the next one behind all with which it can be in the menu. */
export const numberBehind = (item: ProfileItem, before: readonly ProfileItem[]): number =>
  1 + Math.max(0, ...before.filter((other) => !exclude(item, other)).map(({ number }) => number));

/** Whether one of two items of the same setting leaves the size to the other: "custom" makes that one appear. */
const leavesTo = (a: ProfileItem, b: ProfileItem): boolean =>
  b.existsWhile.some(
    ({ itemId, stopIds }) =>
      itemId === a.id &&
      stopIds.every((id) => a.stops.some((stop) => stop.id === id && stop.value.kind === 'label')),
  );

/** Whether a stop says no size because another item of the same setting does while it is chosen. */
export const leavesItsSize = ({ items }: EscProfile, item: ProfileItem, { id, value }: Stop): boolean =>
  value.kind === 'label' &&
  items.some(
    (other) =>
      other.setting === item.setting &&
      other.existsWhile.some(({ itemId, stopIds }) => itemId === item.id && stopIds.includes(id)),
  );

/** What is wrong with numbers and settings that come twice, and with items that could never be there. */
export function presenceProblems({ items, banks }: EscProfile): Problem[] {
  const problems: Problem[] = [];
  items.forEach((item, index) => {
    const before = items.slice(0, index).filter((other) => !exclude(item, other));
    const twin = before.find(({ number }) => number === item.number);
    if (twin)
      problems.push({
        path: `items.${index}.number`,
        sentence: `“${twin.label}” and “${item.label}” both have the number ${item.number}, and can be in the menu together.`,
      });
    if (!twin && item.number !== numberBehind(item, items.slice(0, index)))
      problems.push({
        path: `items.${index}.number`,
        sentence: `The item at place ${index + 1} has the number ${item.number}. Numbers must run 1, 2, 3 … in the ESC's order.`,
      });
    const same = before.find(
      (other) =>
        other.setting === item.setting &&
        item.setting !== 'other' &&
        !leavesTo(other, item) &&
        !leavesTo(item, other),
    );
    if (same)
      problems.push({
        path: `items.${index}.setting`,
        sentence: `“${same.label}” and “${item.label}” both set ${VOCABULARY[item.setting].name}, and it is unclear which one counts. Show one only while the other is on a stop without a size.`,
      });
    if (item.commandStopIds.length > 0 && item.commandStopIds.includes(item.factoryStopId))
      problems.push({
        path: `items.${index}.factoryStopId`,
        sentence: `“${stopById(item, item.factoryStopId).label}” of “${item.label}” is a command: an ESC cannot hold it.`,
      });
  });
  if (banks && !items.some(({ id, existsWhile }) => id === banks.itemId && existsWhile.length === 0))
    problems.push({
      path: 'banks',
      sentence: `There is no item '${banks.itemId}' that could choose a bank.`,
    });
  return problems;
}
