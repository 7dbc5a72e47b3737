/** Finding and ordering rigs. */
import type { StationId, StationState } from '#core/advice/stationStates';

export interface RigLine {
  id: string;
  name: string;
  what: string;
  pack: string;
  motor: string;
  profileName: string;
  updatedAt: string;
  archived: boolean;
  hasPicture: boolean;
  changes: number;
  stations: { id: StationId; state: StationState; why: string }[];
}

export const SORTS = {
  touched: 'last touched',
  name: 'name',
  class: 'class',
  due: 'most to do',
} as const;
export type Sort = keyof typeof SORTS;

const OPEN: readonly StationState[] = ['blocked', 'stale', 'due'];
const openStations = ({ stations }: RigLine): number =>
  stations.filter(({ state }) => OPEN.includes(state)).length +
  (stations.some(({ state }) => state === 'blocked') ? 10 : 0);

const BY: Readonly<Record<Sort, (a: RigLine, b: RigLine) => number>> = {
  touched: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  name: (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }),
  class: (a, b) => a.what.localeCompare(b.what) || BY.name(a, b),
  due: (a, b) => openStations(b) - openStations(a) || BY.touched(a, b),
};

/** @param sort from an address: an unknown one counts as the first */
export const inOrder = (rigs: readonly RigLine[], sort: Sort): RigLine[] =>
  rigs.toSorted(Object.hasOwn(BY, sort) ? BY[sort] : BY.touched);

/** The rigs in which every typed word occurs, in name, class, pack, motor or ESC. */
export function matching(rigs: readonly RigLine[], typed: string): RigLine[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return rigs.filter(({ name, what, pack, motor, profileName }) => {
    const text = [name, what, pack, motor, profileName].join(' ').toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
