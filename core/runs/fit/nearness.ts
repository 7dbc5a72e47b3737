import type { LeftOutNumber } from './leftOut';

/** Whether a number is told nearer than before. What differs by less than half of what its reading may be off is as near. */
export function nearness({
  measured,
  error,
  before,
  after,
}: LeftOutNumber): 'nearer' | 'as near' | 'further off' {
  const by = Math.abs(before - measured) - Math.abs(after - measured);
  if (Math.abs(by) <= error / 2) return 'as near';
  return by > 0 ? 'nearer' : 'further off';
}
