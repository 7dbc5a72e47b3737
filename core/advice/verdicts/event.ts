/** What an event or a class forbids. */
import { breachesOf } from '../../rig/eventRules';
import { moveTo, type Situation, type Verdict } from './verdict';

/** What the chosen event forbids. Its own text stands above this. */
export function againstRules({ rig, profile, stops, rules }: Situation): Verdict[] {
  if (!rules) return [];
  return breachesOf(rules, rig, profile, stops).map(({ sentence, item }) => {
    const legal = item?.stops.find((stop) =>
      breachesOf(rules, rig, profile, { ...stops, [item.id]: stop.id }).every((b) => b.item !== item),
    );
    return {
      id: `againstRules ${item?.id ?? 'pack'}`,
      grade: 'hazard',
      setting: item?.setting,
      title: `${rules.name} forbids this.`,
      sentence: `${sentence} This is from your notes. The event’s own text decides.`,
      remedies: item
        ? moveTo(item, legal?.id)
        : [{ kind: 'station', label: 'Check the pack', station: 'rig' }],
    };
  });
}
