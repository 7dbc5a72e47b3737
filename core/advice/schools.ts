/** What a driver can take a side on with this ESC, and what each side costs on this rig. */
import type { EscProfile, StopByItem } from '../esc/profile';
import { itemForSetting } from '../esc/profile';
import type { DrillNumber } from '../physics/drills/drill';
import { DRILLS, runDrill, type DrillId } from '../physics/drills/runDrill';
import type { EscBehaviour } from '../physics/escChain';
import type { SettingId } from '../settings/vocabulary';
import { stopsIn } from './bands';
import type { Goals } from './goals';
import type { Rule } from './rule';
import type { ResolvedRig } from '../physics/resolved';
import type { VehicleClass } from '../rig/vehicleClass';
import { SCHOOLS, type Side, type School } from './disagreements';

/** What the side that the driver took on a question sets. */
export const schoolRules = ({ schools }: Goals, vehicleClass: VehicleClass): Rule[] =>
  SCHOOLS.filter((school) => isAskedOf(school, vehicleClass)).flatMap(({ id, question, sides }) => {
    const side = sides.find((one) => one.id === schools[id]);
    return Object.entries(side?.sets ?? {}).map(([setting, band]): Rule => ({
      id: `school-${id}-${setting}`,
      setting: setting as SettingId,
      priority: 'school',
      when: {},
      band,
      reason: `${question} You said: ${side!.name}. ${side!.because}`,
      source: 'common practice',
    }));
  });

const isAskedOf = ({ classes, not }: School, vehicleClass: VehicleClass): boolean =>
  (classes?.includes(vehicleClass) ?? true) && !not?.includes(vehicleClass);

/** The questions of this class that its ESC lets a driver answer: at least two sides can be set. */
export const schoolsFor = (profile: EscProfile, cells: number, vehicleClass: VehicleClass): School[] =>
  SCHOOLS.filter(
    (school) =>
      isAskedOf(school, vehicleClass) &&
      school.sides.filter((side) => stopsOfSide(profile, side, cells)).length > 1,
  );

/** The stops that a side comes to on this ESC; undefined where it has none of them. */
export function stopsOfSide(profile: EscProfile, { sets }: Side, cells: number): StopByItem | undefined {
  const found = Object.entries(sets).flatMap(([setting, band]) => {
    const item = itemForSetting(profile, setting as SettingId);
    const stops = item && stopsIn(band, item, cells);
    return item && stops ? [[item.id, stops.stopId] as const] : [];
  });
  return found.length > 0 ? Object.fromEntries(found) : undefined;
}

/** What a side costs or gives on a rig. */
export interface SideTold {
  side: Side;
  stops: StopByItem;
  numbers: { drill: DrillId; number: DrillNumber }[];
}

/**
 * Every side of a question on a rig, everything else as drafted.
 * @param behave what a full set of stops makes of the ESC
 * @throws {Error} where a drill cannot be computed for this rig
 */
export function sidesTold(
  school: School,
  profile: EscProfile,
  rig: ResolvedRig,
  drafted: StopByItem,
  behave: (stops: StopByItem) => EscBehaviour,
): SideTold[] {
  const tells = school.tells.filter(([drill]) => drill in DRILLS[rig.kind]);
  return school.sides.flatMap((side) => {
    const stops = stopsOfSide(profile, side, rig.cells);
    if (!stops) return [];
    const esc = behave({ ...drafted, ...stops });
    const numbers = tells.flatMap(([drill, id]) => {
      const number = runDrill(drill, rig, esc).numbers.find((one) => one.id === id);
      return number ? [{ drill, number }] : [];
    });
    return [{ side, stops, numbers }];
  });
}
