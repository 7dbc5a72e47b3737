/** What an event or a class forbids, as its driver keeps it. The event's own text stands above it. */
import { itemForSetting, type EscProfile, type ProfileItem, type StopByItem, valueOf } from '../esc/profile';
import type { Rig } from './rig';

export interface EventRules {
  name: string;
  /** Advance, boost and turbo must be zero. */
  noAdvance: boolean;
  noReverse: boolean;
  /** Null where any pack may be used. */
  mostCells: number | null;
  note: string;
}

/** One thing that breaks the rules. */
export interface RuleBreach {
  sentence: string;
  /** The item to change; undefined where it is not a matter of the ESC. */
  item: ProfileItem | undefined;
}

/** Everything about a rig and its values that these rules forbid. */
export function breachesOf(
  rules: EventRules,
  rig: Rig,
  profile: EscProfile,
  stops: StopByItem,
): RuleBreach[] {
  const breaches: RuleBreach[] = [];
  if (rules.mostCells !== null && rig.pack.cells > rules.mostCells) {
    breaches.push({
      sentence: `${rules.name} allows ${rules.mostCells} cells; this pack has ${rig.pack.cells}.`,
      item: undefined,
    });
  }
  for (const setting of rules.noAdvance ? (['advance', 'boost', 'turbo'] as const) : []) {
    const value = valueOf(profile, stops, setting);
    const item = itemForSetting(profile, setting);
    const none = !value || value.kind === 'off' || (value.kind === 'number' && value.value === 0);
    if (!none && item)
      breaches.push({ sentence: `${rules.name} allows no timing; “${item.label}” adds some.`, item });
  }
  const mode = valueOf(profile, stops, 'runningMode');
  const reverses =
    mode?.kind === 'choice' && (mode.choice === 'forwardBrakeReverse' || mode.choice === 'forwardReverse');
  if (rules.noReverse && reverses) {
    const item = itemForSetting(profile, 'runningMode')!;
    breaches.push({ sentence: `${rules.name} allows no reverse; “${item.label}” has it.`, item });
  }
  return breaches;
}
