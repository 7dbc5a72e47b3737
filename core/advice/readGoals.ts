import { PURPOSES, SURFACES, type Goals, type Purpose, type Surface } from './goals';
import { SCHOOLS } from './schools';

/** What a page sent as the driver's goals; undefined where it is none: an unknown word, or a side that no question has. */
export function readGoals(sent: unknown): Goals | undefined {
  if (typeof sent !== 'object' || sent === null) return undefined;
  const { purpose, surface, schools } = sent as Record<string, unknown>;
  if (typeof purpose !== 'string' || !Object.hasOwn(PURPOSES, purpose)) return undefined;
  if (typeof surface !== 'string' || !Object.hasOwn(SURFACES, surface)) return undefined;
  if (typeof schools !== 'object' || schools === null) return undefined;
  const sides = Object.entries(schools);
  return sides.every(([id, side]) => isSide(id, side))
    ? {
        purpose: purpose as Purpose,
        surface: surface as Surface,
        schools: Object.fromEntries(sides),
      }
    : undefined;
}

const isSide = (id: string, side: unknown): boolean =>
  SCHOOLS.some((school) => school.id === id && school.sides.some((one) => one.id === side));
